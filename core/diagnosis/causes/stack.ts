import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Driver or system takes its time over every request. */
export const STACK: Hypothesis = {
  id: 'system stack',
  site: 'machine',
  prior: 1,
  title: 'The system’s own stack is slow',
  fix: 'Update driver and system; compare with another system on the same machine.',
  applies: (of) => depends(of, 'links'),
  change: (of) => scaling(of, { links: [0.6, 0.75, 0.9], perFile: [1.1, 1.5, 2.5] }),
};
