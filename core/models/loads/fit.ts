import { nonNegative, SEED, solve, withErrors, type Spread, type Timing } from '../../stats';
import { worked, type Estimate } from '../../evidence';

/** A load as timed on one device: that device's rate and latency, the time and its one-sigma error, s. */
export interface LoadTiming extends Timing {
  rate: number;
  latency: number;
}

/** What was counted of a load beside its times. */
export interface CountedLoad {
  bytes: number;
  requests: number;
}

export interface LoadFit {
  /** `fit`: the timings say what it is made of; `bounds`: they leave it open, within these. */
  kind: 'fit' | 'bounds';
  own: Spread;
  bytes: Spread;
  requests: Spread;
  /** Share of the time on the slowest of the devices that is storage. */
  storage: Spread;
  /** s by which the fit misses the timings, root mean square. */
  misses: number;
  /** Its time on another device, s: of a fit by its parts, of bounds by all that goes with the times. */
  on(device: Pick<LoadTiming, 'rate' | 'latency'>): Spread;
}

/** In units of their usual size, so that no column drowns another. */
const SCALE = [1, 1e9, 1e4] as const;
type Parts = readonly [own: number, bytes: number, requests: number];
/** Two sigma of the timing stand for its hard error where there are only bounds. */
const SIGMAS = 2;
/** No timing is better than this, s. */
const LEAST_ERROR = 1e-3;

const rowOf = ({ rate, latency }: Pick<LoadTiming, 'rate' | 'latency'>): number[] => [
  SCALE[0],
  SCALE[1] / rate,
  SCALE[2] * latency,
];
const slowest = (timings: readonly LoadTiming[]): LoadTiming =>
  timings.reduce((a, b) => (b.seconds > a.seconds ? b : a));

/**
 * Finds what a load is made of from its times on several devices of the same host, each timing weighted by its error. With bytes and requests
 * counted two devices do; without, three or more. Its intervals are those of the timings' error: fitted again with each timing moved by so many
 * sigmas, seeded. With fewer timings there are bounds: all that goes with the times.
 * @param counted bytes and requests where they were counted
 * @throws RangeError without a timing, or where bounds are left and no load goes with the times
 */
export function fitLoad(timings: readonly LoadTiming[], counted: CountedLoad | null, seed = SEED): LoadFit {
  if (timings.length === 0) throw new RangeError('A load must be timed on a device at least.');
  if (timings.length < (counted ? 2 : 3)) return boundsOf(timings, counted);
  const weights = timings.map(({ error }) => 1 / Math.max(error, LEAST_ERROR));
  const rows = timings.map(rowOf);
  const fit = (seconds: readonly number[]): Parts => {
    const weighted = (row: readonly number[], i: number) => row.map((v) => v * weights[i]!);
    if (!counted) {
      const found = nonNegative(
        rows.map(weighted),
        seconds.map((s, i) => s * weights[i]!),
      );
      return [found[0]! * SCALE[0], found[1]! * SCALE[1], found[2]! * SCALE[2]];
    }
    const left = timings.map(
      (t, i) => (seconds[i]! - counted.bytes / t.rate - counted.requests * t.latency) * weights[i]!,
    );
    const [own] = nonNegative(
      weights.map((w) => [w]),
      left,
    );
    return [own!, counted.bytes, counted.requests];
  };
  const { middle, range } = withErrors(timings, seed, fit);
  const off = timings.map((t) => middle[0] + middle[1] / t.rate + middle[2] * t.latency - t.seconds);
  const most = slowest(timings);
  const storageOf = ([own, bytes, requests]: Parts) => {
    const storage = bytes / most.rate + requests * most.latency;
    return storage / Math.max(1e-9, own + storage);
  };
  return {
    kind: 'fit',
    own: range(([own]) => own),
    bytes: range(([, bytes]) => bytes),
    requests: range(([, , requests]) => requests),
    storage: range(storageOf),
    misses: Math.sqrt(off.reduce((sum, v) => sum + v * v, 0) / off.length),
    on: ({ rate, latency }) => range(([own, bytes, requests]) => own + bytes / rate + requests * latency),
  };
}

/** A half-space of parts: all with `of` · parts ≤ `most`. */
interface Bound {
  of: readonly number[];
  most: number;
}

/** All corners of the parts that are not negative and go with the times within their errors, in scaled units. */
function cornersOf(timings: readonly LoadTiming[], counted: CountedLoad | null): number[][] {
  const bounds: Bound[] = [0, 1, 2].map((i) => ({ of: [0, 1, 2].map((k) => (k === i ? -1 : 0)), most: 0 }));
  for (const timing of timings) {
    const of = rowOf(timing);
    const error = SIGMAS * Math.max(timing.error, LEAST_ERROR);
    bounds.push({ of, most: timing.seconds + error });
    bounds.push({ of: of.map((v) => -v), most: error - timing.seconds });
  }
  if (counted)
    for (const [i, value] of [
      [1, counted.bytes / SCALE[1]],
      [2, counted.requests / SCALE[2]],
    ] as const) {
      const of = [0, 1, 2].map((k) => (k === i ? 1 : 0));
      bounds.push({ of, most: value }, { of: of.map((v) => -v), most: -value });
    }
  const within = (x: readonly number[]) =>
    bounds.every(
      ({ of, most }) => of.reduce((sum, v, i) => sum + v * x[i]!, 0) <= most + 1e-9 * (1 + Math.abs(most)),
    );
  const corners: number[][] = [];
  for (let a = 0; a < bounds.length; a++)
    for (let b = a + 1; b < bounds.length; b++)
      for (let c = b + 1; c < bounds.length; c++) {
        const three = [bounds[a]!, bounds[b]!, bounds[c]!];
        const x = solve(
          three.map(({ of }) => [...of]),
          three.map(({ most }) => most),
        );
        if (x && within(x)) corners.push(x);
      }
  return corners;
}

/** The least and the most each part can be. @throws RangeError where no load goes with the times */
function boundsOf(timings: readonly LoadTiming[], counted: CountedLoad | null): LoadFit {
  const corners = cornersOf(timings, counted);
  if (corners.length === 0)
    throw new RangeError(
      'No load goes with these times: the slower device was the quicker one, or something else differed.',
    );
  const range = (of: (x: readonly number[]) => number): Spread => {
    const values = corners.map(of);
    const [low, high] = [Math.max(0, Math.min(...values)), Math.max(0, ...values)];
    return { low, expected: (low + high) / 2, high };
  };
  const most = slowest(timings);
  const storageOf = ([own = 0, bytes = 0, requests = 0]: readonly number[]) => {
    const storage = (bytes * SCALE[1]) / most.rate + requests * SCALE[2] * most.latency;
    return storage / Math.max(1e-9, own + storage);
  };
  return {
    kind: 'bounds',
    own: range((x) => x[0]! * SCALE[0]),
    bytes: range((x) => x[1]! * SCALE[1]),
    requests: range((x) => x[2]! * SCALE[2]),
    storage: range(storageOf),
    misses: 0,
    on(device) {
      const row = rowOf(device);
      return range((x) => row.reduce((sum, v, i) => sum + v * x[i]!, 0));
    },
  };
}

/** A fitted part as an estimate that names where it comes from. */
export const fitted = (
  name: string,
  value: Spread,
  unit: 's' | 'B' | 'count' | '%',
  { kind }: Pick<LoadFit, 'kind'>,
  timings: number,
): Estimate =>
  worked(name, value, unit, {
    how: kind === 'fit' ? 'sampled' : 'exact',
    note:
      kind === 'fit'
        ? `Least squares without negative parts over ${timings} timings, each weighted by its error; the range is that of the timings’ error.`
        : `The least and the most that goes with ${timings} timings, two sigma of their error allowed; the figure is the middle between.`,
    inputs: [],
  });
