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
      links: [3, 8, 60],
      read: [3, 8, 60],
      write: [3, 8, 60],
      rest: [5, 40, 400],
      other: [1, 4, 40],
      memory: [1, 4, 40],
    }),
};
