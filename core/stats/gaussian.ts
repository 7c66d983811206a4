import { randomNormal } from 'd3-random';

/** Standard normal numbers, out of a stream of uniform ones; none beyond three sigma. */
export function gaussian(uniform: () => number): () => number {
  const next = randomNormal.source(uniform)(0, 1);
  return () => Math.min(3, Math.max(-3, next()));
}
