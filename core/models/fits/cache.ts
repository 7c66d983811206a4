import { SEED, withErrors, type Spread, type Timing } from '../../stats';

/** How far a copy had come: so many bytes after so many s from its start. Laps of one copy, or copies of several sizes onto a rested drive. */
export interface MovedBy extends Timing {
  bytes: number;
}

export interface CacheFit {
  /** B; where no knee is seen, at least what was moved. */
  cache: Spread;
  /** B/s while it lasts, and after it; the same without a knee. */
  fast: Spread;
  slow: Spread;
  /** Whether the timings show the cache come to its end. */
  knee: boolean;
}

/** Sizes of cache that are tried between two moments. */
const STEPS = 24;
/** A knee must make the timings this much likelier than a straight line: χ² better by so much (about 95 %). */
const CLEAR = 4;
/** Behind a cache it is slower by this share at least, or it is the scatter of one rate. */
const SLOWER = 0.95;

interface Parts {
  cache: number;
  /** s a GB. */
  fast: number;
  slow: number;
  off: number;
}

const dot = (a: readonly number[], b: readonly number[]): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
};

/**
 * Cache size and both rates from how far a copy had come at some moments: bytes up to the cache at one rate, the rest at another. Every size of
 * cache tried, the rates by least squares, each moment weighted by its error.
 * @throws RangeError for fewer than three moments
 */
export function fitCache(points: readonly MovedBy[], seed = SEED): CacheFit {
  if (points.length < 3)
    throw new RangeError(
      'Three moments are needed: within the cache, and twice past it or the other way round.',
    );
  const sorted = [...points].sort((a, b) => a.bytes - b.bytes);
  const most = sorted.at(-1)!.bytes;
  const weights = sorted.map(({ error }) => 1 / Math.max(1e-3, error));
  const sizes = [0, ...sorted.map((p) => p.bytes)].flatMap((from, i, all) => {
    const to = all[i + 1];
    return to === undefined
      ? []
      : Array.from({ length: STEPS }, (_, k) => from + ((to - from) * (k + 1)) / STEPS);
  });
  // Of each size what does not depend on the times.
  const grid = [...sizes.filter((size) => size < most), most].map((cache) => {
    const within = sorted.map(({ bytes }, i) => (Math.min(bytes, cache) / 1e9) * weights[i]!);
    const behind = sorted.map(({ bytes }, i) => (Math.max(0, bytes - cache) / 1e9) * weights[i]!);
    return {
      cache,
      within,
      behind,
      ww: dot(within, within),
      wb: dot(within, behind),
      bb: dot(behind, behind),
    };
  });
  const at = (
    { cache, within, behind, ww, wb, bb }: (typeof grid)[number],
    wanted: readonly number[],
  ): Parts => {
    const [w, b] = [dot(within, wanted), dot(behind, wanted)];
    const det = ww * bb - wb * wb;
    const isLine = det <= 1e-12 * ww * bb || bb === 0;
    const fast = isLine ? w / ww : (w * bb - b * wb) / det;
    const slow = isLine ? fast : (b * ww - w * wb) / det;
    let off = 0;
    for (let i = 0; i < wanted.length; i++) off += (within[i]! * fast + behind[i]! * slow - wanted[i]!) ** 2;
    return { cache, fast, slow, off };
  };
  const weighed = (seconds: readonly number[]) => seconds.map((s, i) => s * weights[i]!);
  const straight = (seconds: readonly number[]): Parts => at(grid.at(-1)!, weighed(seconds));
  const best = (seconds: readonly number[]): Parts => {
    const wanted = weighed(seconds);
    let found = at(grid.at(-1)!, wanted);
    for (const size of grid) {
      const parts = at(size, wanted);
      if (parts.fast > 0 && parts.fast < parts.slow * SLOWER && parts.off < found.off) found = parts;
    }
    return found;
  };
  const { middle, range } = withErrors(sorted, seed, best);
  const knee = straight(sorted.map((p) => p.seconds)).off - middle.off > CLEAR && middle.cache < most;
  const rateOf = (part: (p: Parts) => number) => range((p) => 1e9 / Math.max(1e-9, part(p)));
  if (!knee) {
    const { fast } = straight(sorted.map((p) => p.seconds));
    const rate = { low: 1e9 / fast, expected: 1e9 / fast, high: 1e9 / fast };
    return { cache: { low: most, expected: most, high: Infinity }, fast: rate, slow: rate, knee };
  }
  return { cache: range((p) => p.cache), fast: rateOf((p) => p.fast), slow: rateOf((p) => p.slow), knee };
}
