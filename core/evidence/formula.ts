import { format, type Unit } from '../units';
import { plain, word, written, type Algebra } from './algebra';
import type { Estimate } from './estimate';
import { draws, SAMPLES, SEED, summary, exactly, isExact, quantile, type Spread } from '../stats';

type Inputs<K extends string, T> = Record<K, T>;

export interface Formula<K extends string> {
  /** The bare result: numbers in, number out, nothing recorded. */
  (x: Inputs<K, number>): number;
  /** The result for each of {@link SAMPLES} seeded draws of its inputs: what `explain` summarises, for probabilities. */
  samples(x: Inputs<K, Spread>, seed?: number): Float64Array;
  /**
   * The result as an estimate with its working. With one uncertain input its three points are carried through (the formula must be
   * monotone in each input); with several, {@link SAMPLES} seeded samples of independent inputs.
   */
  explain(
    x: Inputs<K, Estimate>,
    more?: { name?: string; note?: string; ceiling?: number; seed?: number },
  ): Estimate;
}

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
  // Written out when first asked for: a page that shows no working pays nothing.
  let inWords: string | null = null;
  const explain: Formula<K>['explain'] = (x, more = {}) => {
    const uncertain = keys.filter((key) => !isExact(x[key]));
    const result =
      uncertain.length === 0
        ? exactly(bare(map((key) => x[key].expected)))
        : uncertain.length === 1
          ? carried(x, uncertain[0]!)
          : summary(samples(x, more.seed));
    return {
      ...result,
      ...(more.ceiling === undefined ? {} : { ceiling: more.ceiling }),
      unit: spec.unit,
      because: {
        name: more.name ?? spec.name,
        how: uncertain.length > 1 ? 'sampled' : 'exact',
        formula: (inWords ??= spec.of(
          written,
          map((key) => word(spec.inputs[key])),
        ).text),
        filled: spec.of(
          written,
          map((key) => word(x[key].because.shown ?? format(x[key].expected, x[key].unit, 4))),
        ).text,
        ...(more.note ? { note: more.note } : {}),
        inputs: keys.map((key) => x[key]),
      },
    };
  };
  const carried = (x: Inputs<K, Estimate>, which: K): Spread => {
    const at = (value: number) => bare(map((key) => (key === which ? value : x[key].expected)));
    const [low, high] = [at(x[which].low), at(x[which].high)];
    return { low: Math.min(low, high), expected: at(x[which].expected), high: Math.max(low, high) };
  };
  const samples: Formula<K>['samples'] = (x, seed = SEED) => {
    const uncertain = keys.filter((key) => !isExact(x[key]));
    const orders = uncertain.map((key) => draws(key, SAMPLES, seed));
    const at = map((key) => x[key].expected);
    return Float64Array.from({ length: SAMPLES }, (_, i) => {
      uncertain.forEach((key, k) => (at[key] = quantile(x[key], orders[k]![i]!)));
      return bare(at);
    });
  };
  return Object.assign(bare, { explain, samples });
}
