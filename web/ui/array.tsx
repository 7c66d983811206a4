import { Typography } from '@mui/material';
import type { ArrayForecast } from '@kymar/core/forecast';
import { formatProbability } from '@kymar/core/units';
import { Figure } from './figure';

/** What several drives as one hold, survive and lose. */
export function ArrayFacts({ array }: { array: ArrayForecast }) {
  const { usable, survives, loss, rebuild, rebuildFails, smallWrite } = array;
  return (
    <Typography variant="body2" sx={{ mt: 0.75 }}>
      Together they hold <Figure of={usable} />;{' '}
      {survives === 0
        ? 'one failing drive loses all'
        : `${survives} may fail, whichever ${survives === 1 ? 'it is' : 'they are'}`}
      . Data lost within the service life: <Figure of={loss}>{formatProbability(loss.expected)}</Figure>.
      {rebuild && (
        <>
          {' '}
          A rebuild takes at least <Figure of={rebuild} /> and meets what it cannot read in{' '}
          <Figure of={rebuildFails!}>{formatProbability(rebuildFails!.expected)}</Figure> of cases. A write
          smaller than a stripe costs {smallWrite} operations.
        </>
      )}{' '}
      An array is one copy, not a backup.
    </Typography>
  );
}
