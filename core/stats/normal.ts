const { abs, exp, sqrt } = Math;

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

/**
 * Probability that a standard normal number lies below z, to about 1e-7, by a polynomial for the error function [Abramowitz and Stegun, Handbook of
 * Mathematical Functions, 26.2.17; from memory].
 * @example cumulative(1.645).toFixed(2) // '0.95'
 */
export function cumulative(z: number): number {
  const x = abs(z);
  const t = 1 / (1 + 0.2316419 * x);
  const series =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (exp((-x * x) / 2) / sqrt(2 * Math.PI)) * series;
  return z > 0 ? 1 - tail : tail;
}

/** Sigmas from the middle of a normal to either end of its 95 % and of its 90 % range. */
export const [Z95, Z90] = [1.96, 1.645];
