import { mean } from '../stats';

/** When rounds are as one another: over so many, spread and slope within these shares of their mean. */
export interface SteadyRule {
  window: number;
  range: number;
  slope: number;
}

/** Five rounds, all within 20 % of their mean, the straight line through them within 10 % [SNIA PTS]. */
export const STEADY_RULE: SteadyRule = { window: 5, range: 0.2, slope: 0.1 };

/** Rounds that are as one another. */
export interface Steady {
  /** First round of the window, counted from 0. */
  from: number;
  mean: number;
  /** Greatest less least, and rise or fall of the straight line over the window, as shares of the mean. */
  range: number;
  slope: number;
}

/** How rounds scatter and drift. @param values at least two, their mean above 0 */
function driftOf(values: readonly number[]): Omit<Steady, 'from'> {
  const average = mean(values);
  const middle = (values.length - 1) / 2;
  const [sum, squares] = values.reduce(
    ([xy, xx], y, i) => [xy + (i - middle) * y, xx + (i - middle) ** 2],
    [0, 0],
  );
  const over = (sum / squares) * (values.length - 1);
  return {
    mean: average,
    range: (Math.max(...values) - Math.min(...values)) / average,
    slope: Math.abs(over) / average,
  };
}

/** The first window of rounds that are as one another; null while there is none. */
export function steadyIn(rounds: readonly number[], rule = STEADY_RULE): Steady | null {
  for (let from = 0; from + rule.window <= rounds.length; from++) {
    const found = driftOf(rounds.slice(from, from + rule.window));
    if (found.range <= rule.range && found.slope <= rule.slope) return { from, ...found };
  }
  return null;
}
