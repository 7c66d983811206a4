import { format, type Unit } from '../units';
import { plain, word, written, type Algebra } from './algebra';
import type { Estimate } from './estimate';
import { about, draws, SAMPLES, SEED, exactly, isExact, quantile, type Spread } from '../stats';

type Inputs<K extends string, T> = Record<K, T>;

export interface Formula<K extends string> {
  /** The bare result: numbers in, number out, nothing recorded. */
  (x: Inputs<K, number>): number;
  /** The result for each of {@link SAMPLES} seeded draws of its inputs: what `spread` summarises, for probabilities. */
  samples(x: Inputs<K, Spread>, seed?: number): Float64Array;
  /**
   * The result as a range, without words. With one uncertain input its three points are carried through (the formula must be monotone
   * in each input); with several, {@link SAMPLES} seeded samples of independent inputs.
   */
  spread(x: Inputs<K, Spread>, seed?: number): Spread;
  /** {@link spread} as an estimate with its working. */
  explain(x: Inputs<K, Estimate>, more?: Explained): Estimate;
}

/** What an explained figure is called, and what else is said of it. */
export interface Explained {
  name?: string;
  note?: string;
  ceiling?: number;
  seed?: number;
}

/** Ranges that took samples, by what went in: the same parts come again and again. */
const MOST_KEPT = 5000;

/**
 * Writes a formula once, for numbers and for words.
 * @param spec.inputs the words each input goes by
 * @param spec.of the formula itself, over any algebra
 */
export function formula<K extends string>(spec: {
  name: string;
  unit: Unit;
  inputs: Inputs<K, string>;
  of: <T>(m: Algebra<T>, x: Inputs<K, T>) => T;
}): Formula<K> {
  const keys = Object.keys(spec.inputs) as K[];
  const bare = (x: Inputs<K, number>) => spec.of(plain, x);
  const map = <T>(to: (key: K) => T) => Object.fromEntries(keys.map((key) => [key, to(key)])) as Inputs<K, T>;
  const uncertainOf = (x: Inputs<K, Spread>) => keys.filter((key) => !isExact(x[key]));
  // Written out when first asked for: a page that shows no working pays nothing.
  let inWords: string | null = null;
  const kept = new Map<string, Spread>();

  const carried = (x: Inputs<K, Spread>, which: K): Spread => {
    const numbers = map((key) => x[key].expected);
    const at = (value: number) => bare({ ...numbers, [which]: value });
    const [low, high] = [at(x[which].low), at(x[which].high)];
    return { low: Math.min(low, high), expected: at(x[which].expected), high: Math.max(low, high) };
  };

  const samples: Formula<K>['samples'] = (x, seed = SEED) => {
    const uncertain = uncertainOf(x);
    const orders = uncertain.map((key) => draws(key, SAMPLES, seed));
    const at = map((key) => x[key].expected);
    return Float64Array.from({ length: SAMPLES }, (_, i) => {
      uncertain.forEach((key, k) => (at[key] = quantile(x[key], orders[k]![i]!)));
      return bare(at);
    });
  };

  const sampled = (x: Inputs<K, Spread>, seed: number): Spread => {
    const point = ({ low, expected, high, ceiling, median }: Spread) =>
      [low, expected, high, ceiling, median].join(' ');
    const key = `${seed}/${keys.map((k) => point(x[k])).join('/')}`;
    const had = kept.get(key);
    if (had) return had;
    const found = about(bare(map((key) => x[key].expected)), samples(x, seed));
    if (kept.size > MOST_KEPT) kept.clear();
    kept.set(key, found);
    return found;
  };

  const range: Formula<K>['spread'] = (x, seed = SEED) => {
    const uncertain = uncertainOf(x);
    if (uncertain.length === 0) return exactly(bare(map((key) => x[key].expected)));
    return uncertain.length === 1 ? carried(x, uncertain[0]!) : sampled(x, seed);
  };

  const explain: Formula<K>['explain'] = (x, more = {}) => {
    inWords ??= spec.of(
      written,
      map((key) => word(spec.inputs[key])),
    ).text;
    const shown = (e: Estimate) => word(e.because.shown ?? format(e.expected, e.unit, 4));
    return {
      ...range(x, more.seed),
      ...(more.ceiling === undefined ? {} : { ceiling: more.ceiling }),
      unit: spec.unit,
      because: {
        name: more.name ?? spec.name,
        how: uncertainOf(x).length > 1 ? 'sampled' : 'exact',
        formula: inWords,
        filled: spec.of(
          written,
          map((key) => shown(x[key])),
        ).text,
        ...(more.note ? { note: more.note } : {}),
        inputs: keys.map((key) => x[key]),
      },
    };
  };
  return Object.assign(bare, { samples, spread: range, explain });
}
