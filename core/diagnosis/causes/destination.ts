import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** What is read cannot be put down as quickly. */
export const DESTINATION: Hypothesis = {
  id: 'destination slower',
  site: 'other end',
  prior: 2,
  title: 'The other end writes slower than it should',
  fix: 'Time the other end alone; read into memory instead.',
  applies: (of) => depends(of, 'other') && isDirection(of, 'read'),
  change: (of) => scaling(of, { other: [0.05, 0.3, 0.75] }),
};
