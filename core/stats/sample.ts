import { t95 } from './student';

export function mean(values: readonly number[]): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

/**
 * Standard deviation of a sample (n − 1).
 * @example deviation([2, 4, 6]) // 2
 */
export function deviation(values: readonly number[]): number {
  const m = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - m) ** 2, 0) / (values.length - 1));
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/**
 * Half-width of the 95 % t-interval of the mean. Two values or more.
 * @example halfWidth([99, 101]).toFixed(1) // '12.7'
 */
export function halfWidth(values: readonly number[]): number {
  return (t95(values.length - 1) * deviation(values)) / Math.sqrt(values.length);
}

/**
 * Which values lie far out: more than 3.5 scaled median absolute deviations from the median. Needs four values; fewer name none.
 * @example outliers([50, 51, 52, 49, 90]) // [false, false, false, false, true]
 */
export function outliers(values: readonly number[]): boolean[] {
  const middle = median(values);
  const scale = 1.4826 * median(values.map((v) => Math.abs(v - middle)));
  return values.map(
    (v) =>
      values.length >= 4 &&
      (scale > 0
        ? Math.abs(v - middle) > 3.5 * scale
        : v !== middle && Math.abs(v - middle) > 0.05 * Math.abs(middle)),
  );
}

/**
 * How many more runs until the mean is known to ± `share` (0.03 = 3 %), if the scatter stays as it is.
 * @returns 0 when it is known already, null when more than 100 would be needed or fewer than two values are there
 * @example runsUntil([100, 104]) // 4
 */
export function runsUntil(values: readonly number[], share = 0.03): number | null {
  if (values.length < 2) return null;
  const [m, s] = [mean(values), deviation(values)];
  for (let n = values.length; n <= values.length + 100; n++)
    if ((t95(n - 1) * s) / Math.sqrt(n) <= share * Math.abs(m)) return n - values.length;
  return null;
}
