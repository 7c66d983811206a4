import type { Traits } from '../traits';
import type { Move } from './schema';

export const MOVE_TRAITS: Traits<Move> = {
  answer: 'time',
  asks: 'target',
  timed: 'copy',
  requests: 'sequential',
  direction: ({ direction }) => direction,
  words: {
    answer: 'time',
    compare:
      'Where two drives look alike on the box, the size of the copy often decides: choose one to see up to which size which is ahead.',
  },
};
