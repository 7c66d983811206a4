/**
 * A quantity known by three points of its distribution, 5 %, 50 % and 95 %, and the figure that stands for it: low ≤ expected ≤ high.
 * Between and beyond them the quantile function is straight lines, cut off at hard bounds where there are any.
 */
export interface Spread {
  low: number;
  expected: number;
  high: number;
  /** Nothing can be above this: physics, not experience. */
  ceiling?: number;
  /** The 50 % point, where that is not the expected figure: what all middles lead to need not be the middle. */
  median?: number;
}

export const exactly = (value: number): Spread => ({ low: value, expected: value, high: value });
export const spread = (low: number, expected: number, high: number, ceiling?: number): Spread =>
  ceiling === undefined
    ? { low, expected, high }
    : {
        low: Math.min(low, ceiling),
        expected: Math.min(expected, ceiling),
        high: Math.min(high, ceiling),
        ceiling,
      };
export const isExact = (s: Spread): boolean => s.low === s.high;

const LOW = 0.05;
const HIGH = 0.95;
/** Lowest possible value: the line below the 5 % point goes on, yet never takes more than half of what is left (a rate of zero would last for ever). */
function bottom(s: Spread): number {
  return s.low - Math.min(((s.median ?? s.expected) - s.low) / 9, Math.abs(s.low) / 2);
}
function top(s: Spread): number {
  return Math.min(s.high + (s.high - (s.median ?? s.expected)) / 9, s.ceiling ?? Infinity);
}

/** Value at a probability, between the ends and points of a spread. */
function valueAt(p: number, least: number, { low, high }: Spread, median: number, most: number): number {
  if (p <= LOW) return least + ((low - least) * p) / LOW;
  if (p <= 0.5) return low + ((median - low) * (p - LOW)) / (0.5 - LOW);
  if (p <= HIGH) return median + ((high - median) * (p - 0.5)) / (HIGH - 0.5);
  return high + ((most - high) * (p - HIGH)) / (1 - HIGH);
}

/**
 * Value below which the quantity lies with probability p (0 to 1).
 * @example quantile({ low: 1, expected: 2, high: 3 }, 0.95) // 3
 */
export const quantile = (s: Spread, p: number): number =>
  valueAt(p, p <= LOW ? bottom(s) : 0, s, s.median ?? s.expected, p > HIGH ? top(s) : 0);

/** {@link quantile} of each so many-th of many probabilities. */
export function quantiles(s: Spread, each: Float64Array, every: number): Float64Array {
  const median = s.median ?? s.expected;
  const [least, most] = [bottom(s), top(s)];
  const values = new Float64Array(Math.ceil(each.length / every));
  for (let i = 0; i < values.length; i++) values[i] = valueAt(each[i * every]!, least, s, median, most);
  return values;
}

/**
 * Probability that the quantity lies at or below x: the inverse of {@link quantile}.
 * @example below({ low: 1, expected: 2, high: 3 }, 2) // 0.5
 */
export function below(s: Spread, x: number): number {
  const median = s.median ?? s.expected;
  const between = (a: number, b: number, from: number, to: number) =>
    b > a ? from + ((to - from) * (x - a)) / (b - a) : to;
  if (x >= top(s)) return 1;
  if (x < bottom(s)) return 0;
  if (x < s.low) return between(bottom(s), s.low, 0, LOW);
  if (x < median) return between(s.low, median, LOW, 0.5);
  if (x < s.high) return between(median, s.high, 0.5, HIGH);
  return between(s.high, top(s), HIGH, 1);
}

/** A distribution with the figure that stands for it, where all that goes into it is at its middle; the range holds it. */
export function standing(expected: number, { low, expected: median, high }: Spread): Spread {
  return { low: Math.min(low, expected), expected, high: Math.max(high, expected), median };
}

/**
 * The least of independent quantities, exactly: P(min > x) is the product of the parts' P(> x); its 5, 50 and 95 % points by bisection. The
 * figure that stands for it is the least of the parts' own.
 * @throws RangeError for an empty list
 */
export function least(parts: readonly Spread[]): Spread {
  if (parts.length === 0) throw new RangeError('The least of nothing is not defined.');
  const ceiling = Math.min(...parts.map(top));
  const hard = Math.min(...parts.map((part) => part.ceiling ?? Infinity));
  // What always lies above another's highest value never decides.
  const near = parts.filter((part) => bottom(part) < ceiling || top(part) <= ceiling);
  if (near.length === 1) {
    const { ceiling: _, ...only } = near[0]!;
    return { ...only, ...(hard < Infinity ? { ceiling: hard } : {}) };
  }
  const floor = Math.min(...near.map(bottom));
  const point = (p: number, from: number): number => {
    let [a, b] = [from, ceiling];
    for (let i = 0; i < 48 && b - a > 1e-11 * Math.abs(b); i++) {
      const middle = (a + b) / 2;
      let above = 1;
      for (const part of near) above *= 1 - below(part, middle);
      if (1 - above < p) a = middle;
      else b = middle;
    }
    return b;
  };
  const low = point(LOW, floor);
  const median = point(0.5, low);
  const expected = Math.min(...near.map((part) => part.expected));
  const found = standing(expected, { low, expected: median, high: point(HIGH, median) });
  return hard < Infinity ? { ...found, ceiling: hard } : found;
}

/**
 * One of several distributions, nobody knows which, by their weights (summing to 1): its 5, 50 and 95 % points by bisection. The figure that
 * stands for it is the first's, the likeliest.
 * @throws RangeError for an empty list
 */
export function mixture(parts: readonly { weight: number; of: Spread }[]): Spread {
  const [first] = parts;
  if (!first) throw new RangeError('A mixture of nothing is not defined.');
  if (parts.length === 1) return first.of;
  const point = (p: number): number => {
    let [a, b] = [
      Math.min(...parts.map(({ of }) => bottom(of))),
      Math.max(...parts.map(({ of }) => top(of))),
    ];
    for (let i = 0; i < 48 && b - a > 1e-11 * Math.abs(b); i++) {
      const middle = (a + b) / 2;
      if (parts.reduce((sum, { weight, of }) => sum + weight * below(of, middle), 0) < p) a = middle;
      else b = middle;
    }
    return b;
  };
  return standing(first.of.expected, { low: point(LOW), expected: point(0.5), high: point(HIGH) });
}
