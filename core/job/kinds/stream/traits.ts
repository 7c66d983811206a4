import type { Traits } from '../traits';
import type { Stream } from './schema';

export const STREAM_TRAITS: Traits<Stream> = {
  answer: 'margin',
  asks: 'no stall',
  timed: null,
  requests: 'sequential',
  direction: ({ direction }) => direction,
  words: { answer: 'margin', compare: 'Choose a drive to see whether it would stall more or less often.' },
};
