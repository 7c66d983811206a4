import type { Traits } from '../traits';
import type { Scratch } from './schema';

export const SCRATCH_TRAITS: Traits<Scratch> = {
  answer: 'wait',
  asks: 'target',
  timed: null,
  requests: 'random',
  direction: ({ reads }) => (reads >= 0.5 ? 'read' : 'write'),
  words: { answer: 'waiting a day', compare: 'Choose a drive to see how much less its user would wait.' },
};
