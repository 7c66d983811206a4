import { Scratch } from '@kymar/core/job';
import { UNKNOWN, third, type KindForm } from './form';

export const SCRATCH_FORM: KindForm<Scratch> = {
  words: 'Scratch: small and random',
  target: 'Waiting a day, at most',
  often: false,
  schema: Scratch,
  sx: third,
  more: ['block', 'reads', 'depth', 'synchronous'],
  blank: (common) => ({
    ...common,
    kind: 'scratch',
    operations: UNKNOWN,
    reads: 0.7,
    block: 4096,
    depth: 4,
    span: UNKNOWN,
    synchronous: false,
  }),
};
