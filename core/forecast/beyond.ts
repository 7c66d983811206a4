import { draws, quantile, SAMPLES, type Spread } from '../stats';

const kept = new Map<string, Float64Array>();

/**
 * What the models leave out of a time, as a factor by draw: no time that is drawn at all is known better than that.
 * @param of that factor, 5 to 95 %
 */
export function beyondModels(seed: number, of: Spread): Float64Array {
  const key = [seed, of.low, of.expected, of.high].join('/');
  const had = kept.get(key);
  if (had) return had;
  const found = draws('what the models leave out', SAMPLES, seed).map((u) => quantile(of, u));
  if (kept.size > 50) kept.clear();
  kept.set(key, found);
  return found;
}
