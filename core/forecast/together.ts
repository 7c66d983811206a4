import type { Choice, Spread, Uncertain } from '../stats';
import type { Recorder } from '../evidence';
import type { Inputs } from './inputs';

/** What several transfers of one drive depend on, each thing once. */
export interface TogetherInputs<T extends Spread> extends Uncertain<string> {
  inputs: Record<string, T>;
  drawKeys: Record<string, string>;
  /** The numbers of one of them, by its place, out of those of all. */
  of(x: Readonly<Record<string, number>>, i: number): Record<string, number>;
}

/** What each transfer has for itself, though its figures may be the same; and what is one thing for all, whatever each says of it. */
const OWN: ReadonlySet<string> = new Set(['bytes', 'files']);
const ONE: ReadonlySet<string> = new Set(['fill']);

/**
 * Joins the inputs of transfers: what is the same thing (one drive, one link, one host) is drawn once for all, the rest for each by itself.
 * @param words how to call an input that only the transfer at this place (not the first) has
 */
export function together<T extends Spread>(
  record: Recorder<T>,
  each: readonly Inputs<T>[],
  words: (name: string, i: number) => string = (name) => name,
): TogetherInputs<T> {
  const inputs: Record<string, T> = {};
  const drawKeys: Record<string, string> = {};
  const known = new Map<string, { key: string; thing: string; figure: T }[]>();
  const keys = each.map(({ inputs: own, drawKeys: belongs }, i) =>
    Object.entries(own).map(([id, figure]) => {
      const list = known.get(id) ?? [];
      known.set(id, list);
      const thing = belongs[id]!;
      const isOne = (k: (typeof list)[number]) =>
        ONE.has(id) || (k.thing === thing && isSame(k.figure, figure));
      const same = OWN.has(id) ? undefined : list.find(isOne);
      if (same) return [id, same.key] as const;
      const key = list.length === 0 ? id : `${id}, ${i}`;
      list.push({ key, thing, figure });
      inputs[key] = i === 0 ? figure : record.reworded(figure, (name) => words(name, i));
      drawKeys[key] = thing;
      return [id, key] as const;
    }),
  );
  // A choice is the drive's own: the same for all.
  const choices = new Map<string, Choice>();
  for (const [i, one] of each.entries())
    for (const choice of one.choices ?? []) {
      choices.set(choice.id, choice);
      const beside = Object.keys(choice.ways[0]!.inputs).filter((id) => !(id in one.inputs));
      keys[i]!.push(...beside.map((id) => [id, id] as const));
    }
  return {
    inputs,
    drawKeys,
    choices: [...choices.values()],
    of: (x, i) => {
      const numbers: Record<string, number> = {};
      for (const [id, key] of keys[i]!) numbers[id] = x[key]!;
      return numbers;
    },
  };
}

const isSame = (a: Spread, b: Spread): boolean =>
  a.low === b.low && a.expected === b.expected && a.high === b.high;
