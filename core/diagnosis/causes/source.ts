import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** What is copied comes slowly: a source that is full, old, or at work besides. */
export const SOURCE: Hypothesis = {
  id: 'source slower',
  site: 'other end',
  prior: 3,
  title: 'The other end reads slower than it should',
  fix: 'Time the source alone; copy from another one.',
  applies: (of) => depends(of, 'other') && isDirection(of, 'write'),
  change: (of) => scaling(of, { other: [0.05, 0.3, 0.75] }),
};
