import { Box, TableContainer, Typography } from '@mui/material';
import type { Diagnosis } from '@kymar/core/diagnosis';
import { againstSaid, causeTitle, type Statement } from '@kymar/core/statements';
import { useNarrow } from '../../ui/narrow';
import { Cells } from '../../ui/cells';
import { Told } from '../../ui/told';

/** Each measurement, and what the likeliest causes say it should have been: what speaks against a cause is marked. */
export function AgainstTable({ found }: { found: Diagnosis }) {
  const narrow = useNarrow();
  const { causes } = found.shown;
  const rows = againstSaid(found);
  if (rows.length === 0 || causes.length === 0) return null;
  return (
    <TableContainer tabIndex={narrow ? 0 : undefined} sx={{ mb: 1 }}>
      <Cells
        of={rows}
        label="What each cause says of each measurement"
        columns={({ left, right }) => [
          {
            ...left('Measured or seen', (one) => <span data-named>{one.title}</span>),
            headSx: { minWidth: 150 },
          },
          right('It was', (one) => <Told of={one.was} />),
          ...causes.map(({ id }, i) => ({
            ...right(causeTitle(found, id), (one) => {
              const { says, fits } = one.by[i]!;
              return fits ? <Told of={says} /> : <Against says={says} />;
            }),
            headSx: { minWidth: 110 },
          })),
        ]}
      />
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }} data-named>
        Each cause is a change of the job, forecast again: 90 % of the times and temperatures it would give. ✕
        marks what speaks against it.
      </Typography>
    </TableContainer>
  );
}

const Against = ({ says }: { says: Statement | undefined }) => (
  <Box component="span" sx={{ color: 'error.main' }}>
    <Told of={says} />{' '}
    <span role="img" aria-label="speaks against it">
      ✕
    </span>
  </Box>
);
