import { gaussian } from './gaussian';
import { noise } from './sampling';
import type { Spread } from './spread';

/** Tries that a fit's interval is made of. */
const TRIES = 200;

/** Something timed: its time and the one-sigma error of it, s. */
export interface Timing {
  seconds: number;
  error: number;
}

/**
 * A fit with the interval of its timings' error: fitted again with each timing moved by so many sigmas, seeded.
 * @param fit parts out of the times, in the order of the timings
 * @returns how to tell the range of anything worked out from the parts
 */
export function withErrors<P>(
  timings: readonly Timing[],
  seed: number,
  fit: (seconds: readonly number[]) => P,
): { middle: P; range(of: (parts: P) => number): Spread } {
  const normal = gaussian(noise(seed));
  const middle = fit(timings.map((t) => t.seconds));
  const tries = Array.from({ length: TRIES }, () => fit(timings.map((t) => t.seconds + t.error * normal())));
  return {
    middle,
    range(of) {
      const sorted = tries.map(of).sort((a, b) => a - b);
      const at = of(middle);
      const [low, high] = [sorted[Math.floor(TRIES * 0.05)]!, sorted[Math.ceil(TRIES * 0.95) - 1]!];
      return { low: Math.min(low, at), expected: at, high: Math.max(high, at) };
    },
  };
}
