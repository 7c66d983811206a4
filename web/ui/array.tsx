import { Typography } from '@mui/material';
import type { ArrayForecast } from '@kymar/core/forecast';
import type { Place } from '@kymar/core/job';
import { arraySaid } from '@kymar/core/statements';
import { formatProbability } from '@kymar/core/units';
import { Told } from './told';

/** What several drives as one hold, survive and lose. */
export function ArrayFacts({ at, array }: { at: Place; array: ArrayForecast }) {
  const { usable, loss, rebuild, rebuildFails } = array;
  const share = (of: typeof loss | null) => of && { words: formatProbability(of.expected), of };
  return (
    <Typography variant="body2" sx={{ mt: 0.75 }}>
      <Told of={arraySaid(at, array).holds} figures={[usable, share(loss), rebuild, share(rebuildFails)]} />
    </Typography>
  );
}
