import type { Traits } from '../traits';
import type { Keep } from './schema';

export const KEEP_TRAITS: Traits<Keep> = {
  answer: 'room',
  asks: null,
  timed: null,
  keeps: true,
  requests: 'sequential',
  direction: () => 'write',
  words: { answer: 'years until full', compare: 'Choose a drive to see how much later it would be full.' },
};
