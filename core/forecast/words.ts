import { BUILT_IN_NAMES, DISK_NAMES, FLASH_NAMES, type BuiltInClass } from '../catalog/classes';
import { CHOICES } from './inputs';

/*
 * What the ids of a forecast are called. Nothing reads these back.
 */
export const CHOICE_WORDS: Readonly<Record<string, string>> = {
  [CHOICES.zones]: 'law of its zones',
  [CHOICES.recording]: 'how it records',
  [CHOICES.throttle]: 'how it throttles',
  [CHOICES.revision]: 'which revision',
  [CHOICES.class]: 'class of the drive',
  [CHOICES.builtIn]: 'class of the built-in drive',
};

const WAY_WORDS: Readonly<Record<string, string>> = {
  linear: 'falling in a line',
  'constant density': 'constant density',
  hold: 'holds its temperature',
  step: 'in steps',
  ...FLASH_NAMES,
  ...DISK_NAMES,
};

/** What a way of a choice is called: revisions and recordings go by their own names. */
export const wayWords = (choice: string, way: string): string =>
  choice === CHOICES.builtIn
    ? BUILT_IN_NAMES[way as BuiltInClass]
    : choice === CHOICES.recording || choice === CHOICES.revision
      ? way
      : (WAY_WORDS[way] ?? way);
