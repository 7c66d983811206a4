import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** The drive at the other end writes past its cache. */
export const OTHER_CACHE: Hypothesis = {
  id: 'other end past its cache',
  site: 'other end',
  prior: 1.5,
  title: 'The other end is past its own cache',
  fix: 'Read in pieces its cache holds, or to another place.',
  applies: (of) => depends(of, 'otherRest') && isDirection(of, 'read'),
  change: (of) => scaling(of, { otherCache: [0.0001, 0.01, 0.2], otherRest: [0.3, 0.6, 1] }),
};
