import { Box, TableContainer, Typography } from '@mui/material';
import { HEALTHY, NO_CAUSE, type Diagnosis, type CauseSays } from '@kymar/core/diagnosis';
import { seenWords } from '@kymar/core/statements';
import { format, formatRange } from '@kymar/core/units';
import { unbroken } from '../../ui/figure';
import { useNarrow } from '../../ui/narrow';
import { Cells } from '../../ui/cells';

/** Each measurement, and what the likeliest causes say it should have been: what speaks against a cause is marked. */
export function AgainstTable({ found }: { found: Diagnosis }) {
  const narrow = useNarrow();
  const { evidence, causes } = found.shown;
  const title = (id: string) => found.causes.find((c) => c.id === id)?.title ?? NO_CAUSE[HEALTHY];
  if (evidence.length === 0 || causes.length === 0) return null;
  return (
    <TableContainer tabIndex={narrow ? 0 : undefined} sx={{ mb: 1 }}>
      <Cells
        of={evidence}
        label="What each cause says of each measurement"
        columns={({ left, right }) => [
          { ...left('Measured or seen', (one) => one.title), headSx: { minWidth: 150 } },
          right('It was', (one) =>
            unbroken(one.figure ? format(one.figure.expected, one.unit) : seenWords(one.seen ?? '')),
          ),
          ...causes.map(({ id, by }) => ({
            ...right(title(id), (_, i) => <Cell said={by[i]!} unit={evidence[i]!.unit} />),
            headSx: { minWidth: 110 },
          })),
        ]}
      />
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
        Each cause is a change of the job, forecast again: 90 % of the times and temperatures it would give. ✕
        marks what speaks against it.
      </Typography>
    </TableContainer>
  );
}

function Cell({ said: { figure, seen, fits }, unit }: { said: CauseSays; unit: 's' | '°C' }) {
  const words = figure
    ? unbroken(formatRange(figure, unit, 2))
    : seen === null
      ? 'nothing flows'
      : unbroken(seenWords(seen));
  if (fits) return words;
  return (
    <Box component="span" sx={{ color: 'error.main' }}>
      {words}{' '}
      <span role="img" aria-label="speaks against it">
        ✕
      </span>
    </Box>
  );
}
