import { Load } from '@kymar/core/job';
import { UNKNOWN, third, type KindForm } from './form';

export const OPEN_FORM: KindForm<Load> = {
  words: 'Open: load, build, render',
  target: 'Target time',
  often: true,
  schema: Load,
  sx: third,
  more: ['processing', 'dependentReads', 'written'],
  blank: (common) => ({
    ...common,
    kind: 'open',
    processing: UNKNOWN,
    bytes: UNKNOWN,
    dependentReads: UNKNOWN,
  }),
};
