import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Heat goes off badly, so that the drive slows itself down. */
export const THROTTLING: Hypothesis = {
  id: 'throttling',
  site: 'device',
  prior: 2,
  title: 'It grows too hot: the pad does not touch, or no air gets to it',
  fix: 'Seat the pad, open the enclosure, set it upright; a heatsink that touches.',
  applies: (of) => depends(of, 'resistance'),
  change: (of) => scaling(of, { resistance: [1.8, 2.6, 4] }),
};
