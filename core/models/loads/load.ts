import type { Spread } from '../../stats';
import { assumed, marketOf } from '../../catalog/assumptions';
import { explaining, formula, type Estimate, type Fact, type Formula, type Recorder } from '../../evidence';

/** Time of a load: what host and program take by themselves, the bytes, and the requests that wait one after another. */
export const loadTime = formula({
  name: 'time to open',
  unit: 's',
  inputs: {
    own: 'processing',
    bytes: 'bytes',
    rate: 'rate',
    requests: 'requests',
    latency: 'latency',
    beyond: 'what the model leaves out',
  },
  of: (m, x) => m.mul(m.add(m.add(x.own, m.div(x.bytes, x.rate)), m.mul(x.requests, x.latency)), x.beyond),
});

/** {@link loadTime} of what also writes: a render, a build, an export. */
const workTime = formula({
  name: 'time to open',
  unit: 's',
  inputs: {
    own: 'processing',
    bytes: 'bytes',
    rate: 'rate',
    requests: 'requests',
    latency: 'latency',
    written: 'bytes written',
    writing: 'rate of writing',
    beyond: 'what the model leaves out',
  },
  of: (m, x) =>
    m.mul(
      m.add(
        m.add(m.add(x.own, m.div(x.bytes, x.rate)), m.mul(x.requests, x.latency)),
        m.div(x.written, x.writing),
      ),
      x.beyond,
    ),
});

const storageShare = formula({
  name: 'share that is storage',
  unit: '%',
  inputs: { time: 'time to open', own: 'processing' },
  of: (m, x) => m.div(m.sub(x.time, x.own), m.max(x.time, m.num(1e-9))),
});

/** What a load is made of; unknown parts widen its time. */
export interface LoadWork {
  /** s that host and program take by themselves. */
  processing: Fact;
  bytes: Fact;
  dependentReads: Fact;
  /** B it writes; absent: none. */
  written?: Fact | undefined;
}

const partsOf = <T extends Spread>(record: Recorder<T>, load: LoadWork) => ({
  bytes: record.fact('bytes', load.bytes, 'B', marketOf(record, 'load.bytes')),
  requests: record.fact('dependent reads', load.dependentReads, 'count', marketOf(record, 'load.requests')),
});

/** Of a device: the rates it is read and written at, and the latency of a request that is waited for. */
export interface Opened<T extends Spread = Estimate> {
  rate: T;
  latency: T;
  writing: T;
}

/** B that a load writes; null for none. */
const writtenBy = <T extends Spread>(record: Recorder<T>, { written }: LoadWork): T | null =>
  written === undefined || written.value === 0
    ? null
    : record.fact('bytes written', written, 'B', marketOf(record, 'load.written'));

/** How much longer a load takes on the second of two devices. */
export function compareLoads(load: LoadWork, a: Opened, b: Opened): Estimate {
  const reading = {
    ...partsOf(explaining, load),
    rateA: a.rate,
    rateB: b.rate,
    latencyA: a.latency,
    latencyB: b.latency,
  };
  const written = writtenBy(explaining, load);
  return written
    ? workDifference.explain({ ...reading, written, writingA: a.writing, writingB: b.writing })
    : loadDifference.explain(reading);
}

/** What a load's time on a device goes by, and the formula of it. */
export interface LoadInputs<T extends Spread = Estimate> {
  inputs: Record<string, T> & Record<'own' | 'bytes' | 'requests' | 'rate' | 'latency' | 'beyond', T>;
  formula: Formula<string>;
}

/** What the time of a load on a device goes by. */
export function loadInputs<T extends Spread>(
  record: Recorder<T>,
  load: LoadWork,
  { rate, latency, writing }: Opened<T>,
): LoadInputs<T> {
  const own = record.fact('processing time', load.processing, 's', marketOf(record, 'load.own'));
  const written = writtenBy(record, load);
  const reading = { own, ...partsOf(record, load), rate, latency, beyond: assumed(record, 'model.beyond') };
  return written
    ? { inputs: { ...reading, written, writing }, formula: workTime }
    : { inputs: reading, formula: loadTime };
}

/** A load on a device: its time, and the share of it that is storage at all. */
export function forecastLoad<T extends Spread>(
  record: Recorder<T>,
  load: LoadWork,
  on: Opened<T>,
): { time: T; storage: T } {
  const { inputs, formula } = loadInputs(record, load, on);
  const { own } = inputs;
  const time = record.of(formula, inputs);
  // What storage takes is told at the middle: sample by sample the two hang together.
  const middle = (figure: T): T => ({ ...figure, low: figure.expected, high: figure.expected });
  const alone = own.expected > time.expected ? { ...middle(own), expected: time.expected } : middle(own);
  return { time, storage: record.of(storageShare, { time: middle(time), own: alone }) };
}

/** Above this a difference is felt [practice]: the greater of 0.3 s and 20 % of the slower. */
export const NOTICED = { seconds: 0.3, share: 0.2 };

export type IsFelt = 'yes' | 'no' | 'unclear';

/** Whether a difference (s, either sign) is felt beside the slower time; unclear where its interval straddles the threshold. */
export function felt({ low, high }: Spread, slower: number, { seconds, share } = NOTICED): IsFelt {
  const threshold = Math.max(seconds, share * slower);
  const [least, most] = [Math.max(0, low, -high), Math.max(Math.abs(low), Math.abs(high))];
  return most <= threshold ? 'no' : least >= threshold ? 'yes' : 'unclear';
}

/** {@link felt} of two times that have nothing in common: independent errors add in quadrature. */
export function noticeable(a: Spread, b: Spread, noticed = NOTICED): IsFelt {
  const by = a.expected - b.expected;
  const low = by - Math.hypot(a.expected - a.low, b.high - b.expected);
  const high = by + Math.hypot(a.high - a.expected, b.expected - b.low);
  return felt({ low, expected: by, high }, Math.max(a.expected, b.expected), noticed);
}

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

/** {@link loadDifference} of what also writes. */
const workDifference = formula({
  name: 'difference',
  unit: 's',
  inputs: {
    bytes: 'bytes',
    rateA: 'rate of the first',
    rateB: 'rate of the second',
    requests: 'requests',
    latencyA: 'latency of the first',
    latencyB: 'latency of the second',
    written: 'bytes written',
    writingA: 'writing of the first',
    writingB: 'writing of the second',
  },
  of: (m, x) =>
    m.add(
      m.add(
        m.sub(m.div(x.bytes, x.rateB), m.div(x.bytes, x.rateA)),
        m.mul(x.requests, m.sub(x.latencyB, x.latencyA)),
      ),
      m.sub(m.div(x.written, x.writingB), m.div(x.written, x.writingA)),
    ),
});
