import { Keep } from '@kymar/core/job';
import { UNKNOWN, half, type KindForm } from './form';

export const KEEP_FORM: KindForm<Keep> = {
  words: 'Keep: data that grows',
  target: null,
  often: false,
  schema: Keep,
  sx: half,
  blank: (common) => ({ ...common, kind: 'keep', now: UNKNOWN, growth: UNKNOWN }),
};
