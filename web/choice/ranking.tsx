import { Box, Button, Slider, Typography } from '@mui/material';
import { CRITERIA, PRESETS, type Criterion, type Weights } from '@kymar/core/choice';
import { ROLE_NAMES } from '@kymar/core/job';
import { Pick } from '../ui/pick';
import { Fold } from '../ui/fold';

const NAMES: Record<Criterion, string> = {
  cost: 'Cost',
  time: 'Time waited',
  steady: 'Even speed past the cache',
  life: 'Years of writing',
  warranty: 'Warranty',
  space: 'Space',
  later: 'Its own speed, for later',
};
const MOST = 6;
type RoleId = keyof typeof PRESETS;

/** What the ranking goes by: weights of a role, each a slider. */
export function Ranking({
  weights,
  role,
  movesLater,
  isOwn,
  onWeights,
}: {
  weights: Weights;
  role: RoleId;
  movesLater: boolean;
  isOwn: boolean;
  onWeights(weights: Weights | null): void;
}) {
  const preset = isOwn
    ? ((Object.keys(PRESETS) as RoleId[]).find((id) =>
        CRITERIA.every((by) => PRESETS[id][by] === weights[by]),
      ) ?? '')
    : role;
  return (
    <Fold
      name="choice.ranking"
      title="How builds are ranked"
      about="weights you can move"
      aside={
        isOwn && (
          <Button size="small" onClick={() => onWeights(null)}>
            As the role has it
          </Button>
        )
      }
    >
      <Pick
        label="Weights for"
        value={preset}
        options={[
          ...(preset === '' ? [['', 'Own weights'] as const] : []),
          ...(Object.keys(PRESETS) as RoleId[]).map(
            (id) => [id, id === 'any' ? 'Any device' : ROLE_NAMES[id]] as const,
          ),
        ]}
        onValue={(v) => onWeights(v === role || v === '' ? null : PRESETS[v])}
        fullWidth
        sx={{ mb: 1.5 }}
      />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'max-content 1fr 1.5em',
          columnGap: 2,
          alignItems: 'center',
        }}
      >
        {CRITERIA.map((id) => (
          <Row
            key={id}
            name={NAMES[id]}
            value={weights[id]}
            onValue={(v) => onWeights({ ...weights, [id]: v })}
          />
        ))}
      </Box>
      {movesLater && !isOwn && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          It moves to a faster machine later: the drive’s own speed counts.
        </Typography>
      )}
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
        A build’s score is the weighted mean of each figure against the best there is; every target missed
        halves it.
      </Typography>
    </Fold>
  );
}

const Row = ({ name, value, onValue }: { name: string; value: number; onValue(value: number): void }) => (
  <>
    <Typography variant="body2">{name}</Typography>
    <Slider
      size="small"
      min={0}
      max={MOST}
      step={1}
      value={value}
      onChange={(_, v) => onValue(v)}
      aria-label={`Weight of ${name}`}
    />
    <Typography variant="body2" sx={{ textAlign: 'right' }} data-typed>
      {value}
    </Typography>
  </>
);
