/**
 * Probability that |t| stays within `t` for whole degrees of freedom: the finite series in the angle atan(t ÷ √df)
 * [Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.3 and 26.7.4].
 */
function within(t: number, df: number): number {
  const angle = Math.atan(t / Math.sqrt(df));
  const [sine, square] = [Math.sin(angle), Math.cos(angle) ** 2];
  const odd = df % 2 === 1;
  let term = odd ? Math.cos(angle) : 1;
  let sum = df > 1 ? term : 0;
  for (let k = odd ? 3 : 2; k <= df - 2; k += 2) {
    term *= (square * (k - 1)) / k;
    sum += term;
  }
  return odd ? (2 / Math.PI) * (angle + sine * sum) : sine * sum;
}

const found = new Map<string, number>();

/**
 * Two-sided point of Student's t: |t| stays within it with probability `level`.
 * @param df degrees of freedom, a whole number from 1
 * @param level 0.5 to 0.99
 */
export function tPoint(df: number, level: number): number {
  const key = `${df} ${level}`;
  const had = found.get(key);
  if (had !== undefined) return had;
  let [low, high] = [0.6, 64];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (within(middle, df) < level) low = middle;
    else high = middle;
  }
  found.set(key, high);
  return high;
}

/** Two-sided 95 % point of Student's t. */
export const t95 = (df: number): number => tPoint(df, 0.95);

export function mean(values: readonly number[]): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

/** Standard deviation of a sample (n − 1). */
export function deviation(values: readonly number[]): number {
  const m = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - m) ** 2, 0) / (values.length - 1));
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** Half-width of the 95 % t-interval of the mean. Two values or more. */
export function halfWidth(values: readonly number[]): number {
  return (t95(values.length - 1) * deviation(values)) / Math.sqrt(values.length);
}

/** Which values lie far out: more than 3.5 scaled median absolute deviations from the median. Needs four values; fewer name none. */
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
 */
export function runsUntil(values: readonly number[], share = 0.03): number | null {
  if (values.length < 2) return null;
  const [m, s] = [mean(values), deviation(values)];
  for (let n = values.length; n <= values.length + 100; n++)
    if ((t95(n - 1) * s) / Math.sqrt(n) <= share * Math.abs(m)) return n - values.length;
  return null;
}
