import { assumedRange } from '../catalog/assumptions';
import { draws, quantile, SAMPLES } from '../stats';

const kept = new Map<number, Float64Array>();

/** What the models leave out of a time, as a factor by draw: no time that is drawn at all is known better than that. */
export function beyondModels(seed: number): Float64Array {
  const had = kept.get(seed);
  if (had) return had;
  const of = assumedRange('model.beyond');
  const found = draws('what the models leave out', SAMPLES, seed).map((u) => quantile(of, u));
  if (kept.size > 50) kept.clear();
  kept.set(seed, found);
  return found;
}
