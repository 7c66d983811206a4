import { CHOICES } from './inputs';

/*
 * What the ids of a forecast are called. Nothing reads these back.
 */
export const CHOICE_WORDS: Readonly<Record<string, string>> = {
  [CHOICES.zones]: 'law of its zones',
  [CHOICES.recording]: 'how it records',
  [CHOICES.throttle]: 'how it throttles',
  [CHOICES.revision]: 'which revision',
};

const WAY_WORDS: Readonly<Record<string, string>> = {
  linear: 'falling in a line',
  'constant density': 'constant density',
  hold: 'holds its temperature',
  step: 'in steps',
};

/** What a way of a choice is called: revisions and recordings go by their own names. */
export const wayWords = (choice: string, way: string): string =>
  choice === CHOICES.zones || choice === CHOICES.throttle ? (WAY_WORDS[way] ?? way) : way;
