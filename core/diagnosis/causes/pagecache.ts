import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Too good: what was read lay in memory, or a clone moved no data. */
export const PAGE_CACHE: Hypothesis = {
  id: 'memory',
  site: 'figures',
  prior: 2,
  title: 'Memory answered, not the drive',
  fix: 'Measure a size well above memory, or until all is written.',
  applies: (of) => depends(of, 'links'),
  change: (of) =>
    scaling(of, {
      links: [3, 6, 12],
      read: [3, 6, 12],
      write: [3, 6, 12],
      rest: [5, 20, 80],
      other: [1, 3, 10],
    }),
};
