import { median } from '../../stats';

/** A stretch of one level, or of one slope. */
export interface TracePiece {
  /** First value of it, and the one after its last. */
  from: number;
  to: number;
  /** Value at its middle, and change from one value to the next; 0 where it is level. */
  level: number;
  slope: number;
}

/** How values scatter about what they mean: variance, and how much of a deviation stays from one to the next. */
export interface Noise {
  variance: number;
  stays: number;
}

/** Of values this far from the middle of their neighbours, in sigmas, the middle is taken: a spike is no change. */
const SPIKE = 4;
/** Neighbours on either side that say whether a value is a spike. */
const BESIDE = 3;
/** Least values of a piece. */
const LEAST = 4;
/** What a change must explain more than chance does, in units of the noise's long-run variance and the logarithm of the count; a slope half of that again. */
const CHANGE = 6;
const SLOPE = 3;

const MAD = 1.4826;

/**
 * Noise from differences between neighbours one and two apart, by their medians: steps are few and do not count. Of a deviation that dies down by a factor
 * from value to value, the squares of these differences have the ratio one plus that factor.
 */
export function noiseOf(values: Float64Array): Noise {
  const apart = (by: number) => {
    const all = Array.from({ length: values.length - by }, (_, i) => Math.abs(values[i + by]! - values[i]!));
    return (MAD * median(all)) ** 2;
  };
  if (values.length < 8) return { variance: 0, stays: 0 };
  const [one, two] = [apart(1), apart(2)];
  const stays = Math.min(0.9, Math.max(0, two / Math.max(one, 1e-300) - 1));
  return { variance: one / (2 * (1 - stays)), stays };
}

/** Values with spikes taken down to the middle of their neighbours. */
export function despiked(values: Float64Array): Float64Array {
  const n = values.length;
  const middle = values.map((_, i) =>
    median([...values.subarray(Math.max(0, i - BESIDE), Math.min(n, i + BESIDE + 1))]),
  );
  const off = Array.from(values, (v, i) => Math.abs(v - middle[i]!));
  const sigma = MAD * median(off);
  return values.map((v, i) => (off[i]! > SPIKE * sigma + 1e-12 ? middle[i]! : v));
}

/** Sums over the first values, from which the best level or slope of any stretch follows at once. */
class Sums {
  private readonly y: Float64Array;
  private readonly yy: Float64Array;
  private readonly xy: Float64Array;

  constructor(values: Float64Array) {
    const n = values.length;
    [this.y, this.yy, this.xy] = [new Float64Array(n + 1), new Float64Array(n + 1), new Float64Array(n + 1)];
    for (let i = 0; i < n; i++) {
      const v = values[i]!;
      this.y[i + 1] = this.y[i]! + v;
      this.yy[i + 1] = this.yy[i]! + v * v;
      this.xy[i + 1] = this.xy[i]! + i * v;
    }
  }

  level(from: number, to: number): number {
    return (this.y[to]! - this.y[from]!) / (to - from);
  }
  /** How values go with their places, about the middles of both. */
  private cross(from: number, to: number): number {
    return this.xy[to]! - this.xy[from]! - ((from + to - 1) / 2) * (this.y[to]! - this.y[from]!);
  }
  slope(from: number, to: number): number {
    const n = to - from;
    return n < 2 ? 0 : (12 * this.cross(from, to)) / (n * (n * n - 1));
  }
  /** What of the squares a slope explains. */
  bySlope(from: number, to: number): number {
    const n = to - from;
    return n < 2 ? 0 : (12 * this.cross(from, to) ** 2) / (n * (n * n - 1));
  }
  /** What a piece costs: what its better model leaves unexplained, and the price of a slope. */
  cost(from: number, to: number, slope: number): number {
    const sum = this.y[to]! - this.y[from]!;
    const about = this.yy[to]! - this.yy[from]! - (sum * sum) / (to - from);
    return Math.max(0, about) - Math.max(0, this.bySlope(from, to) - slope);
  }
}

/** What each change and each slope costs for a scatter. */
export function pricesOf(
  values: Float64Array,
  { variance, stays }: Noise,
): { change: number; slope: number } {
  // A deviation that stays looks like a change: the variance of a mean is so many times that of independent values.
  const longRun = Math.max(variance, 1e-8) * ((1 + stays) / (1 - stays));
  const unit = longRun * Math.log(Math.max(3, values.length));
  return { change: CHANGE * unit, slope: SLOPE * unit };
}

/**
 * Values cut into pieces, level or sloped, so that what is left unexplained and what changes and slopes cost is least of all ways to cut: exact. Beginnings
 * that cannot be part of the best cut any more are dropped on the way.
 * @param prices of a change and of a slope; absent: by the values' own scatter
 */
export function segment(values: Float64Array, prices = pricesOf(values, noiseOf(values))): TracePiece[] {
  const n = values.length;
  const sums = new Sums(values);
  const least = Math.min(LEAST, n);
  const best = new Float64Array(n + 1).fill(Infinity);
  const cut = new Int32Array(n + 1);
  best[0] = -prices.change;
  let open = [0];
  const costs = new Float64Array(n + 1);
  /** First end from which on a beginning is not needed any more. */
  const until = new Int32Array(n + 1).fill(n + 1);
  for (let to = least; to <= n; to++) {
    if (to >= 2 * least) open.push(to - least);
    open = open.filter((from) => to < until[from]!);
    for (const from of open) {
      const cost = best[from]! + prices.change + sums.cost(from, to, prices.slope);
      costs[from] = cost;
      if (cost < best[to]!) [best[to], cut[to]] = [cost, from];
    }
    // A cut here instead would be cheaper, two slopes for one allowed for, as soon as a piece has room behind it.
    const most = best[to]! + prices.change + prices.slope;
    for (const from of open) if (costs[from]! > most) until[from] = Math.min(until[from]!, to + least);
  }
  const pieces: TracePiece[] = [];
  for (let to = n; to > 0; to = cut[to]!) {
    const from = cut[to]!;
    const isSloped = sums.bySlope(from, to) > prices.slope;
    pieces.unshift({ from, to, level: sums.level(from, to), slope: isSloped ? sums.slope(from, to) : 0 });
  }
  return pieces;
}

/** The same total that {@link segment} makes least, for any cutting: what references are held against. */
export function totalCost(
  values: Float64Array,
  cuts: readonly number[],
  prices: ReturnType<typeof pricesOf>,
): number {
  const sums = new Sums(values);
  const edges = [0, ...cuts, values.length];
  return edges
    .slice(1)
    .reduce((sum, to, i) => sum + sums.cost(edges[i]!, to, prices.slope) + (i > 0 ? prices.change : 0), 0);
}
