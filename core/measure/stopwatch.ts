/** Spread of one press of a person's thumb around their own lag, one sigma in s [practice]. */
export const PRESS = 0.1;

/**
 * One-sigma error in s of a duration between presses. The lag cancels between two presses of the same kind, the spread does not.
 * @param corrections how many times a correction was entered: each is a guess of its own, counted as half its size
 */
export function stopwatchError(corrections: readonly number[] = []): number {
  return Math.sqrt(2 * PRESS ** 2 + corrections.reduce((sum, c) => sum + (c / 2) ** 2, 0));
}
