import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Writing begins where an earlier copy left off. */
export const CACHE_USED: Hypothesis = {
  id: 'cache used up',
  site: 'device',
  prior: 3,
  title: 'The cache was used up before it began',
  fix: 'Let it rest, or write less in one go; a drive with a larger cache or a higher sustained rate.',
  applies: (of) => depends(of, 'cache') && isDirection(of, 'write'),
  change: (of) => scaling(of, { cache: [0.0001, 0.01, 0.1] }),
};
