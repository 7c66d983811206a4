import type { Market } from '../../evidence';
import { mixture, type Spread } from '../../stats';
import { format } from '../../units';

/** Something that may be the case, with its probability among all that may be. */
export interface Likely<Id extends string> {
  id: Id;
  weight: number;
}

/** What is less likely than this is left out. */
const LEAST = 0.03;

/** The ids by their weights, made to sum to 1, the likeliest first; the first alone where none has any. */
export function likeliest<Id extends string>(ids: readonly Id[], weigh: (id: Id) => number): Likely<Id>[] {
  const all = ids.map((id) => ({ id, weight: weigh(id) })).sort((a, b) => b.weight - a.weight);
  const sum = all.reduce((total, { weight }) => total + weight, 0);
  if (!(sum > 0)) return [{ id: ids[0]!, weight: 1 }];
  const kept = all.filter(({ weight }) => weight >= LEAST * sum);
  const left = kept.reduce((total, { weight }) => total + weight, 0);
  return kept.map(({ id, weight }) => ({ id, weight: weight / left }));
}

/** How well a known figure goes with a range: 1 within it, falling off with the factor outside, never quite to nothing. */
export function nearness(value: number, { low, high }: Spread): number {
  if (value >= low && value <= high) return 1;
  const factor = value < low ? low / Math.max(value, 1e-12) : value / Math.max(high, 1e-12);
  return Math.max(1e-5, 1 / factor ** 4);
}

/** What stands in for a figure nobody knows: the classes it may be of, each with its range. */
export function marketOver<Id extends string>(
  list: readonly Likely<Id>[],
  rangeOf: (id: Id) => Spread,
  names: Record<Id, string>,
): Market {
  const range = mixture(list.map(({ id, weight }) => ({ weight, of: rangeOf(id) })));
  return { range, note: list.map((one) => classWords(one, names)).join('; ') };
}

const worded = new WeakMap<Likely<string>, string>();

/** A class with its weight, in words. @param names always the same of one class */
export function classWords<Id extends string>(one: Likely<Id>, names: Record<Id, string>): string {
  const had = worded.get(one);
  if (had !== undefined) return had;
  const { id, weight } = one;
  const words = weight > 0.995 ? names[id] : `${names[id]} (${format(weight, '%', 2)})`;
  worded.set(one, words);
  return words;
}
