import { deviation, median } from '../stats';

/** Spread of one press of a person's thumb around their own lag, one sigma in s [practice]. */
export const PRESS = 0.1;

/** A person's thumb: s it is late on the whole, and one sigma of a press around that. */
export interface Thumb {
  lag: number;
  spread: number;
  /** Presses it was found from. */
  presses: number;
}

/** Presses a reaction test needs to say anything. */
export const PRESSES = 6;
/** A spread found from so few presses is not believed below this, s. */
const LEAST = 0.015;

/**
 * A person's thumb from how late each press of a test was. A press far from the others (a sneeze) counts for little: the lag is their middle, the spread
 * of the rest.
 * @throws RangeError for fewer presses than {@link PRESSES}
 */
export function thumbOf(late: readonly number[]): Thumb {
  if (late.length < PRESSES) throw new RangeError(`A test of the thumb takes ${PRESSES} presses.`);
  const lag = median(late);
  const near = late.filter((l) => Math.abs(l - lag) < 0.5);
  const spread = Math.max(LEAST, near.length > 2 ? deviation(near) : PRESS);
  return { lag, spread, presses: late.length };
}

/**
 * One-sigma error in s of a duration between presses. The lag cancels between two presses of the same kind, the spread does not.
 * @param corrections how many times a correction was entered: each is a guess of its own, counted as half its size
 * @param press spread of one press
 */
export function stopwatchError(corrections: readonly number[] = [], press = PRESS): number {
  return Math.sqrt(2 * press ** 2 + corrections.reduce((sum, c) => sum + (c / 2) ** 2, 0));
}
