import { CloseIcon } from './icons';
import { Box, Drawer, IconButton, Typography } from '@mui/material';
import { sourceWords, type Estimate } from '@kymar/core/evidence';
import { format } from '@kymar/core/units';
import { unbroken, useWorking } from './figure';

const HOW = {
  given: 'Given',
  exact: 'Worked out exactly',
  range: 'Worked out over the range of what is not known',
  sampled: 'From seeded samples of its inputs',
} as const;

/** The side sheet with a figure's working, opened down to where each number comes from. */
export default function WorkingSheet() {
  const { shown, hide } = useWorking();
  return (
    <Drawer
      anchor="right"
      open={shown !== null}
      onClose={hide}
      slotProps={{
        paper: {
          sx: { width: 'min(480px, 100vw)', p: 2.5, bgcolor: 'background.paper' },
          'aria-label': 'The working',
        },
      }}
    >
      {shown && (
        <>
          <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
            <Typography variant="h2" sx={{ flex: 1 }}>
              The working
            </Typography>
            <IconButton onClick={hide} aria-label="Close the working" size="small">
              <CloseIcon fontSize="small" />
            </IconButton>
          </Box>
          <Step estimate={shown} top />
        </>
      )}
    </Drawer>
  );
}

/** Range of a figure on a line from its low to its high point. */
function RangeLine({ estimate }: { estimate: Estimate }) {
  const { low, expected, high } = estimate;
  if (low === high || !(high > low)) return null;
  const at = `${(100 * (expected - low)) / (high - low)}%`;
  return (
    <Box sx={{ my: 1 }} aria-hidden>
      <Box sx={{ position: 'relative', height: 8, bgcolor: 'channel', borderRadius: 0.5 }}>
        <Box
          sx={{
            position: 'absolute',
            left: at,
            top: -3,
            bottom: -3,
            width: 3,
            ml: '-1.5px',
            bgcolor: 'flow',
          }}
        />
      </Box>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mt: 0.5 }}>
        <Typography variant="caption" color="textSecondary">
          5 %: {format(low, estimate.unit)}
        </Typography>
        <Typography variant="caption" color="textSecondary">
          95 %: {format(high, estimate.unit)}
        </Typography>
      </Box>
    </Box>
  );
}

/** Exact as to its formula, over inputs that are not. */
const overRange = ({ low, high, because }: Estimate): boolean => because.how === 'exact' && low < high;

function Step({ estimate, top = false }: { estimate: Estimate; top?: boolean }) {
  const { because, unit, expected, ceiling } = estimate;
  const body = (
    <>
      {top && <RangeLine estimate={estimate} />}
      {!top && estimate.low !== estimate.high && (
        <Typography variant="caption" color="textSecondary" component="p">
          5 %: {format(estimate.low, unit)}, 95 %: {format(estimate.high, unit)}
        </Typography>
      )}
      {because.formula && (
        <Typography variant="body2" sx={{ mt: 0.75 }}>
          = {because.formula}
        </Typography>
      )}
      {because.filled && (
        <Typography variant="body2" sx={{ color: 'primary.main', fontWeight: 560 }}>
          = {unbroken(because.filled)}
        </Typography>
      )}
      {because.note && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
          {because.note}
        </Typography>
      )}
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.25 }}>
        {because.source ? sourceWords(because.source) : HOW[overRange(estimate) ? 'range' : because.how]}
        {ceiling !== undefined && ceiling < Infinity ? `; never above ${format(ceiling, unit, 4)}` : ''}
      </Typography>
      {because.inputs.length > 0 && (
        <Box sx={{ mt: 1, pl: 1.5, borderLeft: 2, borderColor: 'channel', display: 'grid', gap: 0.75 }}>
          {because.inputs.map((input, i) => (
            <Step key={i} estimate={input} />
          ))}
        </Box>
      )}
    </>
  );
  const head = (
    <Box
      component="span"
      sx={{
        display: 'inline-flex',
        width: 'calc(100% - 18px)',
        gap: 1,
        alignItems: 'baseline',
        justifyContent: 'space-between',
      }}
    >
      <Typography component="span" variant={top ? 'h3' : 'body2'}>
        {sentence(because.name)}
      </Typography>
      <Typography
        component="span"
        variant={top ? 'h1' : 'body2'}
        sx={{ fontWeight: 640, whiteSpace: 'nowrap' }}
      >
        {because.shown ?? format(expected, unit, 4)}
      </Typography>
    </Box>
  );
  if (top)
    return (
      <div>
        {head}
        {body}
      </div>
    );
  return (
    <Box
      component="details"
      sx={{
        '& > summary': { cursor: 'pointer', color: 'text.secondary' },
        '& > summary *': { color: 'text.primary' },
      }}
    >
      <summary>{head}</summary>
      <Box sx={{ pb: 0.5, pl: 2 }}>{body}</Box>
    </Box>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
