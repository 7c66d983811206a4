import { Box, Typography } from '@mui/material';
import { compareLoadTimes, type LoadDifference } from '@kymar/core/statements';
import type { Claim } from '@kymar/core/verdict';
import type { Job } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { unbroken } from '../ui/figure';
import { Panel } from '../ui/panel';

const BY: Record<LoadDifference['differs'], string> = {
  drive: 'The drive makes it: enclosure and machine are the same.',
  bridge: 'The enclosure’s bridge makes it: drive and machine are the same.',
  machine: 'The machine makes it: drive and enclosure are the same.',
  several: 'More than one thing differs: which of them makes it, these times cannot tell.',
  nothing: 'Nothing of the parts differs: look at what else did.',
};
const whereWords = ({ drive, bridge, host }: LoadDifference['quicker']): string =>
  `${drive}${bridge ? ` in ${bridge}` : ''} on ${host}`;

/** Loads timed at more than one place: which differ for a person at all, and what of the time no drive shortens. */
export function FeltPanel({ job, claims }: { job: Job; claims: readonly Claim[] }) {
  const found = compareLoadTimes(job, claims);
  if (found.length === 0) return null;
  return (
    <Panel title="What a person notices">
      {found.map(({ activity, quicker, slower, noticed, differs, processing }) => (
        <Box key={`${activity} ${whereWords(slower)}`} sx={{ mb: 1 }}>
          <Typography variant="body2" sx={{ fontWeight: 620 }}>
            {unbroken(
              `${activity}: ${format(quicker.time.expected, 's')} and ${format(slower.time.expected, 's')}, ` +
                {
                  yes: 'a difference a person notices.',
                  no: 'no difference to a person.',
                  unclear: 'too close to call.',
                }[noticed],
            )}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {unbroken(
              `${whereWords(quicker)}, against ${whereWords(slower)}. ${noticed === 'yes' ? BY[differs] : ''} ` +
                (processing === null
                  ? ''
                  : `Of the quicker time ${format(processing, '%', 2)} is processing: no drive shortens that.`),
            )}
          </Typography>
        </Box>
      ))}
    </Panel>
  );
}
