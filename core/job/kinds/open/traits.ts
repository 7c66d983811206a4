import type { Traits } from '../traits';
import type { Load } from './schema';

export const LOAD_TRAITS: Traits<Load> = {
  answer: 'time',
  asks: 'target',
  timed: 'load',
  requests: 'dependent',
  direction: () => 'read',
  words: {
    answer: 'time to open',
    compare:
      'Choose a drive to see whether the difference would be felt: often the processor takes most of the time.',
  },
};
