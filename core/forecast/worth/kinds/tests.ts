import { isExact, type Uncertain } from '../../../stats';
import { CHOICES } from '../../inputs';
import type { Test, WorthId } from './kind';

/** Minutes of a question, of a look, of finding the data sheet; of setting up what is timed [common practice]. */
export const MINUTES = { ask: 1, look: 2, sheet: 5, setUp: 1 };

/** Whether an input is there and not known. */
export const isOpen = ({ inputs }: Uncertain<string>, key: string): boolean =>
  inputs[key] !== undefined && !isExact(inputs[key]);

/** A test without a copy. */
export const test = (id: WorthId, minutes: number, signal: Test['signal'], more?: Partial<Test>): Test => ({
  id,
  minutes,
  signal,
  wear: 0,
  bytes: 0,
  about: 'drive',
  onDrive: false,
  ...more,
});

/** Questions about what is open of the work. @param keys each input with what asks for it */
export const questions = (of: Uncertain<string>, keys: Readonly<Record<string, WorthId>>): Test[] =>
  Object.entries(keys)
    .filter(([key]) => isOpen(of, key))
    .map(([key, id]) =>
      test(id, MINUTES.ask, ({ x }) => x[key]!, { about: id === 'ask fill' ? 'place' : 'activity' }),
    );

/** What the data sheet and a look at the drive and its place tell. */
export function looks(of: Uncertain<string>): Test[] {
  const told = (
    [
      [CHOICES.class, 'sheet class', MINUTES.sheet],
      [CHOICES.recording, 'sheet recording', MINUTES.sheet],
      [CHOICES.revision, 'look revision', MINUTES.look],
    ] as const
  ).flatMap(([choice, id, minutes]) => {
    const ways = of.choices?.find((c) => c.id === choice)?.ways ?? [];
    return ways.length < 2
      ? []
      : [test(id, minutes, (d) => ways.findIndex((w) => w.id === d.chosen[choice]))];
  });
  const air = isOpen(of, 'air')
    ? [test('look air', MINUTES.look, ({ x }) => x.air!, { about: 'place' })]
    : [];
  return [...told, ...air];
}
