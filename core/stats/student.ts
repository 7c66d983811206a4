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
 * @example tPoint(4, 0.95).toFixed(3) // '2.776'
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
