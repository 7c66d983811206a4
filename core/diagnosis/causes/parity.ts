import type { Hypothesis } from '../hypothesis';
import { isDirection, scaling } from '../scaling';

/** Writing to an array whose stack is slow at parity. */
export const PARITY: Hypothesis = {
  id: 'parity in a poor stack',
  site: 'machine',
  prior: 1,
  title: 'The array’s redundancy is worked out slowly',
  fix: 'Another mode, or an enclosure that makes it.',
  applies: (of) =>
    of.device.array !== undefined && of.device.array.mode !== 'single' && isDirection(of, 'write'),
  change: (of) => scaling(of, { write: [0.15, 0.35, 0.6] }),
};
