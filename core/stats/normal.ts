import { randomNormal } from 'd3-random';

/** Standard normal numbers, out of a stream of uniform ones; none beyond three sigma. */
export function gaussian(uniform: () => number): () => number {
  const next = randomNormal.source(uniform)(0, 1);
  return () => Math.min(3, Math.max(-3, next()));
}

/**
 * The value below which a standard normal number lies with probability p, to about 1e-3 sigma: the inverse error function by Winitzki's
 * approximation [S. Winitzki, "A handy approximation for the error function and its inverse", 2008; from memory].
 */
export const normalQuantile = (p: number): number => Math.SQRT2 * inverseErf(2 * p - 1);

function inverseErf(x: number): number {
  const a = 0.147;
  const l = Math.log(1 - x * x);
  const b = 2 / (Math.PI * a) + l / 2;
  return Math.sign(x) * Math.sqrt(Math.sqrt(b * b - l / a) - b);
}
