import { type Choice, type Uncertain } from '../stats';
import type { Estimate } from '../evidence';
import type { Inputs } from './inputs';

/** What several transfers of one drive depend on, each thing once. */
export interface Together extends Uncertain<string> {
  inputs: Record<string, Estimate>;
  /** The numbers of one of them, by its place, out of those of all. */
  of(x: Record<string, number>, i: number): Record<string, number>;
}

/** What each transfer has for itself, though its figures may be the same; and what is one thing for all, whatever each says of it. */
const OWN: ReadonlySet<string> = new Set(['bytes', 'files']);
const ONE: ReadonlySet<string> = new Set(['fill']);

/**
 * Joins the inputs of transfers: what is the same thing (one drive, one link, one host) is drawn once for all, the rest for each by itself.
 * @param words how to call an input that only the transfer at this place (not the first) has
 */
export function together(
  each: readonly Inputs[],
  words: (name: string, i: number) => string = (name) => name,
): Together {
  const inputs: Record<string, Estimate> = {};
  const known = new Map<string, { key: string; estimate: Estimate }[]>();
  const keys = each.map(({ inputs: own }, i) =>
    Object.entries(own).map(([name, estimate]) => {
      const list = known.get(name) ?? [];
      known.set(name, list);
      const same = OWN.has(name)
        ? undefined
        : list.find((k) => ONE.has(name) || isSame(k.estimate, estimate));
      if (same) return [name, same.key] as const;
      const key = list.length === 0 ? name : `${name}, ${i}`;
      list.push({ key, estimate });
      inputs[key] =
        i === 0
          ? estimate
          : { ...estimate, because: { ...estimate.because, name: words(estimate.because.name, i) } };
      return [name, key] as const;
    }),
  );
  // A choice is the drive's own: the same for all.
  const choices = new Map<string, Choice>();
  for (const [i, one] of each.entries())
    for (const choice of one.choices ?? []) {
      choices.set(choice.name, choice);
      const beside = Object.keys(choice.ways[0]!.inputs).filter((name) => !(name in one.inputs));
      keys[i]!.push(...beside.map((name) => [name, name] as const));
    }
  return {
    inputs,
    choices: [...choices.values()],
    of: (x, i) => {
      const numbers: Record<string, number> = {};
      for (const [name, key] of keys[i]!) numbers[name] = x[key]!;
      return numbers;
    },
  };
}

const isSame = (a: Estimate, b: Estimate): boolean =>
  a.because.name === b.because.name && a.low === b.low && a.expected === b.expected && a.high === b.high;
