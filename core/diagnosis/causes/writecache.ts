import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Each piece waits until it is safe: quick removal, or a cache that was turned off. */
export const WRITE_CACHE: Hypothesis = {
  id: 'write cache off',
  site: 'machine',
  prior: 1.5,
  title: 'The write cache is off',
  fix: 'Turn it on where power cannot fail, or eject before pulling.',
  applies: (of) => depends(of, 'write') && isDirection(of, 'write'),
  change: (of) => scaling(of, { write: [0.05, 0.25, 0.7], perFile: [1.5, 3, 8] }),
};
