import type { Hypothesis } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Each request touches one block more than it should. */
export const ALIGNMENT: Hypothesis = {
  id: 'alignment',
  site: 'device',
  prior: 0.5,
  title: 'Partition or strip is not aligned',
  fix: 'Partition it anew from 1 MiB; a strip that fits the files.',
  applies: (of) => depends(of, 'write') && isDirection(of, 'write'),
  change: (of) => scaling(of, { write: [0.45, 0.65, 0.85], rest: [0.45, 0.65, 0.9] }),
};
