import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { standing, type Spread } from './spread';

/** How many samples a range is made of, and the seed handed in where the caller does not care. */
export const SAMPLES = 1000;
export const SEED = 20;

function hash(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}

const kept = new Map<string, Float64Array>();

/**
 * Evenly spread probabilities (i + ½)/n in a shuffled order that depends on the seed and the input's name only: an input keeps
 * its draws whatever other inputs there are, so a range follows a slider without jitter, and a lone input is met exactly.
 */
export function draws(name: string, n: number, seed: number): Float64Array {
  const key = `${seed}/${n}/${name}`;
  const had = kept.get(key);
  if (had) return had;
  const generator = xoroshiro128plus(hash(name) ^ Math.imul(seed, 0x9e3779b1));
  const order = Float64Array.from({ length: n }, (_, i) => (i + 0.5) / n);
  for (let i = n - 1; i > 0; i--) {
    const j = uniformInt(generator, 0, i);
    [order[i], order[j]] = [order[j]!, order[i]!];
  }
  if (kept.size > 500) kept.clear();
  kept.set(key, order);
  return order;
}

/** A stream of uniform numbers in [0, 1) from a seed, for noise. */
export function noise(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  // The first numbers of small seeds are alike: a trend in what should have none. They are passed over.
  for (let i = 0; i < 32; i++) uniformFloat64(generator);
  return () => uniformFloat64(generator);
}

/** The 5, 50 and 95 % points of samples, straight lines between the ranks. */
export function summary(samples: Float64Array): Spread {
  const sorted = Float64Array.from(samples).sort();
  return { low: rank(sorted, 0.05), expected: rank(sorted, 0.5), high: rank(sorted, 0.95) };
}

/** Samples as a range, with the figure that stands for them: the one that all inputs' middles lead to. */
export const about = (expected: number, samples: Float64Array): Spread =>
  standing(expected, summary(samples));

function rank(sorted: Float64Array, p: number): number {
  const at = Math.min(Math.max(p * sorted.length - 0.5, 0), sorted.length - 1);
  const i = Math.floor(at);
  const a = sorted[i]!;
  const b = sorted[Math.min(i + 1, sorted.length - 1)]!;
  return a === b ? a : a + (b - a) * (at - i);
}
