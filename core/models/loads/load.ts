import type { Spread } from '../../stats';
import { marketOf } from '../../catalog/assumptions';
import { explaining, formula, worked, type Estimate, type Fact, type Recorder } from '../../evidence';

/** Time of a load: what host and program take by themselves, the bytes, and the requests that wait one after another. */
export const loadTime = formula({
  name: 'time to open',
  unit: 's',
  inputs: { own: 'processing', bytes: 'bytes', rate: 'rate', requests: 'requests', latency: 'latency' },
  of: (m, x) => m.add(m.add(x.own, m.div(x.bytes, x.rate)), m.mul(x.requests, x.latency)),
});

const storageShare = formula({
  name: 'share that is storage',
  unit: '%',
  inputs: { time: 'time to open', own: 'processing' },
  of: (m, x) => m.div(m.sub(x.time, x.own), m.max(x.time, m.num(1e-9))),
});

/** What a load is made of; unknown parts widen its time. */
export interface Load {
  /** s that host and program take by themselves. */
  processing: Fact;
  bytes: Fact;
  dependentReads: Fact;
}

const partsOf = <T extends Spread>(record: Recorder<T>, load: Load) => ({
  bytes: record.fact('bytes', load.bytes, 'B', marketOf(record, 'load.bytes')),
  requests: record.fact('dependent reads', load.dependentReads, 'count', marketOf(record, 'load.requests')),
});

/** Of a device: the rate it is read at, and the latency of a request that is waited for. */
export interface Opened<T extends Spread = Estimate> {
  rate: T;
  latency: T;
}

/** How much longer a load takes on the second of two devices. */
export const compareLoads = (load: Load, a: Opened, b: Opened): Estimate =>
  loadDifference.explain({
    ...partsOf(explaining, load),
    rateA: a.rate,
    rateB: b.rate,
    latencyA: a.latency,
    latencyB: b.latency,
  });

/** A load on a device: its time, and the share of it that is storage at all. */
export function forecastLoad<T extends Spread>(
  record: Recorder<T>,
  load: Load,
  { rate, latency }: Opened<T>,
): { time: T; storage: T } {
  const own = record.fact('processing time', load.processing, 's', marketOf(record, 'load.own'));
  const time = record.of(loadTime, { own, ...partsOf(record, load), rate, latency });
  // What storage takes is told at the middle: sample by sample the two hang together.
  const middle = (figure: T): T => ({ ...figure, low: figure.expected, high: figure.expected });
  const alone = own.expected > time.expected ? { ...middle(own), expected: time.expected } : middle(own);
  return { time, storage: record.of(storageShare, { time: middle(time), own: alone }) };
}

/** Above this a difference is felt [practice]: the greater of 0.3 s and 20 % of the slower. */
export const NOTICED = { seconds: 0.3, share: 0.2 };

export type Felt = 'yes' | 'no' | 'unclear';

/** Whether a difference (s, either sign) is felt beside the slower time; unclear where its interval straddles the threshold. */
export function felt({ low, high }: Spread, slower: number, { seconds, share } = NOTICED): Felt {
  const threshold = Math.max(seconds, share * slower);
  const [least, most] = [Math.max(0, low, -high), Math.max(Math.abs(low), Math.abs(high))];
  return most <= threshold ? 'no' : least >= threshold ? 'yes' : 'unclear';
}

/** {@link felt} of two times that have nothing in common. */
export const noticeable = (a: Spread, b: Spread, noticed = NOTICED): Felt =>
  felt(
    { low: a.low - b.high, expected: a.expected - b.expected, high: a.high - b.low },
    Math.max(a.expected, b.expected),
    noticed,
  );

/** How much longer the same load takes on the second of two devices: what host and program take falls out. */
const loadDifference = formula({
  name: 'difference',
  unit: 's',
  inputs: {
    bytes: 'bytes',
    rateA: 'rate of the first',
    rateB: 'rate of the second',
    requests: 'requests',
    latencyA: 'latency of the first',
    latencyB: 'latency of the second',
  },
  of: (m, x) =>
    m.add(
      m.sub(m.div(x.bytes, x.rateB), m.div(x.bytes, x.rateA)),
      m.mul(x.requests, m.sub(x.latencyB, x.latencyA)),
    ),
});

/** A load as timed on one device: that device's rate and latency, the time and its one-sigma error, s. */
export interface LoadTiming {
  rate: number;
  latency: number;
  seconds: number;
  error: number;
}

export interface LoadFit {
  own: Spread;
  bytes: Spread;
  requests: Spread;
  /** s by which the fit misses the timings, root mean square. */
  misses: number;
}

/** Least squares without negative parts, exactly: of all choices of parts that are not zero the best whose parts are all positive. */
export function nonNegative(rows: readonly (readonly number[])[], wanted: readonly number[]): number[] {
  const n = rows[0]?.length ?? 0;
  let best: { x: number[]; off: number } | null = null;
  for (let mask = 0; mask < 2 ** n; mask++) {
    const on = Array.from({ length: n }, (_, i) => i).filter((i) => mask & (1 << i));
    const part = solve(
      on.map((i) => on.map((j) => rows.reduce((sum, r) => sum + r[i]! * r[j]!, 0))),
      on.map((i) => rows.reduce((sum, r, k) => sum + r[i]! * wanted[k]!, 0)),
    );
    if (!part || part.some((v) => v < 0)) continue;
    const x = Array.from({ length: n }, (_, i) => (on.includes(i) ? part[on.indexOf(i)]! : 0));
    const off = rows.reduce(
      (sum, r, k) => sum + (r.reduce((s, v, i) => s + v * x[i]!, 0) - wanted[k]!) ** 2,
      0,
    );
    if (!best || off < best.off - 1e-15 * (1 + best.off)) best = { x, off };
  }
  return best!.x;
}

/** Solves a small square system by elimination; null where it has no one solution. */
function solve(a: number[][], b: number[]): number[] | null {
  const m = a.map((row, i) => [...row, b[i]!]);
  for (let c = 0; c < m.length; c++) {
    const p = m.slice(c).reduce((at, row, i) => (Math.abs(row[c]!) > Math.abs(m[at]![c]!) ? c + i : at), c);
    if (Math.abs(m[p]![c]!) < 1e-12 * Math.max(...a.flat().map(Math.abs), 1e-300)) return null;
    [m[c], m[p]] = [m[p]!, m[c]!];
    for (let r = 0; r < m.length; r++)
      if (r !== c) {
        const f = m[r]![c]! / m[c]![c]!;
        for (let k = c; k <= m.length; k++) m[r]![k]! -= f * m[c]![k]!;
      }
  }
  return m.map((row, i) => row[m.length]! / row[i]!);
}

/**
 * Finds what a load is made of from its times on several devices of the same host. With bytes and requests counted two devices do; without, three or more.
 * Its intervals are those of the timings' error: fitted again with each timing moved by so many sigmas, seeded.
 * @param counted bytes and requests where they were counted
 * @param normal a stream of standard normal numbers
 * @throws RangeError when there are too few timings
 */
export function fitLoad(
  timings: readonly LoadTiming[],
  counted: { bytes: number; requests: number } | null,
  normal: () => number,
): LoadFit {
  const needed = counted ? 2 : 3;
  if (timings.length < needed)
    throw new RangeError(
      `${needed} devices are needed${counted ? '' : ' as long as bytes and requests are not counted'}; ` +
        `there ${timings.length === 1 ? 'is' : 'are'} ${timings.length}.`,
    );
  // In units of their usual size, so that no column drowns another.
  const scale = [1, 1e9, 1e4];
  const rows = timings.map(({ rate, latency }) => [scale[0]!, scale[1]! / rate, scale[2]! * latency]);
  const fit = (seconds: readonly number[]): number[] =>
    counted
      ? [
          ...nonNegative(
            rows.map(() => [1]),
            timings.map((t, i) => seconds[i]! - counted.bytes / t.rate - counted.requests * t.latency),
          ),
          counted.bytes,
          counted.requests,
        ]
      : nonNegative(rows, seconds).map((v, i) => v * scale[i]!);
  const middle = fit(timings.map((t) => t.seconds));
  const tries = Array.from({ length: 200 }, () => fit(timings.map((t) => t.seconds + t.error * normal())));
  const range = (i: number): Spread => {
    const sorted = tries.map((t) => t[i]!).sort((a, b) => a - b);
    return {
      low: Math.min(sorted[10]!, middle[i]!),
      expected: middle[i]!,
      high: Math.max(sorted[189]!, middle[i]!),
    };
  };
  const off = timings.map((t) => middle[0]! + middle[1]! / t.rate + middle[2]! * t.latency - t.seconds);
  return {
    own: range(0),
    bytes: range(1),
    requests: range(2),
    misses: Math.sqrt(off.reduce((sum, v) => sum + v * v, 0) / off.length),
  };
}

/** A fitted part as an estimate that names where it comes from. */
export const fitted = (name: string, value: Spread, unit: 's' | 'B' | 'count', timings: number): Estimate =>
  worked(name, value, unit, {
    how: 'sampled',
    note: `Least squares without negative parts over ${timings} timings; the range is that of the timings’ error.`,
    inputs: [],
  });
