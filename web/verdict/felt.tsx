import { Box, Typography } from '@mui/material';
import { compareLoadTimes, feltSaid } from '@kymar/core/statements';
import type { Claim } from '@kymar/core/verdict';
import type { Job } from '@kymar/core/job';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';

/** Loads timed at more than one place: which differ for a person at all. */
export function FeltPanel({ job, claims }: { job: Job; claims: readonly Claim[] }) {
  const found = compareLoadTimes(job, claims).map(feltSaid);
  if (found.length === 0) return null;
  return (
    <Panel title="What a person notices">
      {found.map(({ noticed, by }) => (
        <Box key={noticed!.id} sx={{ mb: 1 }}>
          <Typography variant="body2" sx={{ fontWeight: 620 }}>
            <Told of={noticed} />
          </Typography>
          <Typography variant="body2" color="textSecondary">
            <Told of={by} />
          </Typography>
        </Box>
      ))}
    </Panel>
  );
}
