import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Too good: drive or file system wrote less than it was given. */
export const COMPRESSION: Hypothesis = {
  id: 'compression',
  site: 'figures',
  prior: 0.7,
  title: 'What was copied compresses well',
  fix: 'Measure with data that does not compress.',
  applies: (of) => depends(of, 'write') && isDirection(of, 'write'),
  change: (of) => scaling(of, { write: [1.2, 1.8, 3], rest: [1.3, 2, 4], cache: [1, 2, 5] }),
};
