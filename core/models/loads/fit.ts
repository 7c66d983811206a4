import {
  nonNegative,
  polytope,
  SEED,
  withErrors,
  type HalfSpace,
  type Spread,
  type Timing,
} from '../../stats';
import { worked, type Estimate } from '../../evidence';

/** What a load's time on a device goes by, B/s and s; without a rate of writing nothing is said of what it writes. */
export interface LoadDevice {
  rate: number;
  latency: number;
  writing?: number | undefined;
}

/** A load as timed on one device: that device, the time and its one-sigma error, s. */
export interface LoadTiming extends Timing, LoadDevice {}

/** What was counted of a load beside its times; what it writes, where it writes. */
export interface CountedLoad {
  bytes: number;
  requests: number;
  written?: number | undefined;
}

export interface LoadFit {
  /** `fit`: the timings say what it is made of; `bounds`: they leave it open, within these. */
  kind: 'fit' | 'bounds';
  own: Spread;
  bytes: Spread;
  requests: Spread;
  /** B that it writes; null where no device says how fast it is written. */
  written: Spread | null;
  /** Share of the time on the slowest of the devices that is storage. */
  storage: Spread;
  /** s by which the fit misses the timings, root mean square. */
  misses: number;
  /** Its time on another device, s: of a fit by its parts, of bounds by all that goes with the times. */
  on(device: LoadDevice): Spread;
}

/** s of processing, B read, requests that are waited for, B written: in units of their usual size, so that no column drowns another. */
const SCALE = [1, 1e9, 1e4, 1e9] as const;
type Parts = readonly number[];
/** Two sigma of the timing stand for its hard error where there are only bounds. */
const SIGMAS = 2;
/** Of the most it can be, less than this share is nothing. */
const NOTHING = 1e-9;
/** No timing is better than this, s. */
const LEAST_ERROR = 1e-3;

/** s of a device for each part of a load, in units of {@link SCALE}; what it writes last, where it says how fast. */
const rowOf = ({ rate, latency, writing }: LoadDevice, writes: boolean): number[] => [
  SCALE[0],
  SCALE[1] / rate,
  SCALE[2] * latency,
  ...(writes ? [writing === undefined ? 0 : SCALE[3] / writing] : []),
];
const timeOf = (row: readonly number[], parts: Parts) => row.reduce((sum, v, i) => sum + v * parts[i]!, 0);
const slowest = (timings: readonly LoadTiming[]): LoadTiming =>
  timings.reduce((a, b) => (b.seconds > a.seconds ? b : a));

/**
 * Finds what a load is made of from its times on several devices of the same host, each timing weighted by its error. Two devices do where all but
 * the processing was counted; without, as many as there are parts: three, and one more where it writes. Its intervals are those of the timings'
 * error: fitted again with each timing moved by so many sigmas, seeded. With fewer timings there are bounds: all that goes with the times, and the
 * centre of it.
 * @param counted bytes and requests where they were counted
 * @throws RangeError without a timing, or where bounds are left and no load goes with the times
 */
export function fitLoad(timings: readonly LoadTiming[], counted: CountedLoad | null, seed = SEED): LoadFit {
  if (timings.length === 0) throw new RangeError('A load must be timed on a device at least.');
  const writes = timings.some(({ writing }) => writing !== undefined);
  const known = [undefined, counted?.bytes, counted?.requests, ...(writes ? [counted?.written] : [])].map(
    (value, i) => (value === undefined ? null : value / SCALE[i]!),
  );
  const open = known.flatMap((value, i) => (value === null ? [i] : []));
  /** All parts, what was counted as it was. */
  const whole = (found: Parts): Parts => known.map((value, i) => value ?? found[open.indexOf(i)]!);
  const rows = timings.map((timing) => {
    const row = rowOf(timing, writes);
    return {
      row: open.map((i) => row[i]!),
      known: timeOf(
        row,
        known.map((value) => value ?? 0),
      ),
    };
  });
  const slow = rowOf(slowest(timings), writes);
  const storageOf = ([own, ...rest]: Parts) => {
    const storage = timeOf(slow, [0, ...rest]);
    return storage / Math.max(1e-9, own! + storage);
  };
  const told = (range: (of: (parts: Parts) => number) => Spread) => ({
    own: range((parts) => parts[0]! * SCALE[0]),
    bytes: range((parts) => parts[1]! * SCALE[1]),
    requests: range((parts) => parts[2]! * SCALE[2]),
    written: writes ? range((parts) => parts[3]! * SCALE[3]) : null,
    storage: range(storageOf),
    on: (device: LoadDevice) => {
      const row = rowOf(device, writes);
      return range((parts) => timeOf(row, parts));
    },
  });
  if (timings.length < Math.max(2, open.length)) {
    const { corners, centre } = boundsOf(timings, rows);
    const all = corners.map(whole);
    const range = (of: (parts: Parts) => number): Spread => {
      const values = all.map(of);
      const high = Math.max(...values);
      // What is left of none by the arithmetic is none.
      const low = Math.min(...values);
      return { low: low < NOTHING * high ? 0 : low, expected: of(whole(centre)), high };
    };
    return { kind: 'bounds', ...told(range), misses: 0 };
  }
  const weights = timings.map(({ error }) => 1 / Math.max(error, LEAST_ERROR));
  const { middle, range } = withErrors(timings, seed, (seconds) =>
    whole(
      nonNegative(
        rows.map(({ row }, i) => row.map((v) => v * weights[i]!)),
        rows.map(({ known }, i) => (seconds[i]! - known) * weights[i]!),
      ),
    ),
  );
  const off = timings.map((timing) => timeOf(rowOf(timing, writes), middle) - timing.seconds);
  return {
    kind: 'fit',
    ...told(range),
    misses: Math.sqrt(off.reduce((sum, v) => sum + v * v, 0) / off.length),
  };
}

/** All parts that are not negative and go with the times within their errors. @throws RangeError where no load does */
function boundsOf(timings: readonly Timing[], rows: readonly { row: readonly number[]; known: number }[]) {
  const parts = rows[0]!.row.map((_, i) => i);
  const bounds: HalfSpace[] = parts.map((i) => ({ of: parts.map((k) => (k === i ? -1 : 0)), most: 0 }));
  timings.forEach(({ seconds, error }, i) => {
    const { row, known } = rows[i]!;
    const around = SIGMAS * Math.max(error, LEAST_ERROR);
    bounds.push({ of: row, most: seconds - known + around });
    bounds.push({ of: row.map((v) => -v), most: around - seconds + known });
  });
  const found = polytope(bounds);
  if (!found)
    throw new RangeError(
      'No load goes with these times: the slower device was the quicker one, or something else differed.',
    );
  return found;
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
        : `The least and the most that goes with ${timings} timings, two sigma of their error allowed; the figure is the centre of all that does.`,
    inputs: [],
  });
