import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Behind its cache the drive writes slower than drives like it do. */
export const SUSTAINED: Hypothesis = {
  id: 'sustained below class',
  site: 'device',
  prior: 1.5,
  title: 'It sustains less than its class does',
  fix: 'Another drive for this work.',
  takes: 'drive',
  applies: (of) => depends(of, 'rest') && isDirection(of, 'write'),
  change: (of) => scaling(of, { rest: [0.25, 0.45, 0.75] }),
};
