import { eachDraw, expectedOf, SAMPLES, SEED, about, type Spread } from '../../stats';
import {
  exactFact,
  factWords,
  formula,
  given,
  recordersFor,
  worked,
  type Estimate,
  type Recorder,
} from '../../evidence';
import { marketOf } from '../../catalog/assumptions';
import { run, type Flow } from '../../models/transfer';
import { format } from '../../units';
import type { Stream } from '../../job';
import type { Inputs, Transfer } from '../inputs';
import type { Answered, Kind } from './kind';
import { bytesADay, inputsFor } from './shared';

const manyTimes = formula({
  name: 'bytes of the streams',
  unit: 'B',
  inputs: { rate: 'rate of each', streams: 'streams', lasts: 'lasts' },
  of: (m, x) => m.mul(m.mul(x.rate, x.streams), x.lasts),
});

const lastsOf = <T extends Spread>(record: Recorder<T>, { lasts }: Stream): T =>
  record.fact('lasts', lasts, 's', marketOf(record, 'stream.lasts'));

/** B of all streams over their length. */
function bytesOf<T extends Spread>(record: Recorder<T>, stream: Stream): T {
  const rate = record.fact('rate of each', stream.rate, 'B/s', marketOf(record, 'stream.rate'));
  const streams = record.given('streams', stream.streams, 'count', { kind: 'entered' });
  return record.of(manyTimes, { rate, streams, lasts: lastsOf(record, stream) });
}

/** Streams as a transfer into memory. */
function transferOf(record: Recorder, stream: Stream): Transfer {
  const { low, expected, high } = bytesOf(record, stream);
  return {
    direction: stream.direction,
    bytes: { value: [low, expected, high], source: stream.rate.source },
    files: exactFact(stream.streams),
    otherEnd: 'memory',
    streams: stream.streams,
  };
}

/** Longer than the pace allows by more than this share is a stall. */
const LATE = 1e-6;

/** B/s that streams ask; never nothing, so that they come to an end. */
const demandOf = (bytes: number, seconds: number): number => Math.max(1, bytes / Math.max(1e-3, seconds));

/** B/s of the slowest stretch of the whole length: cache, heat, zones of a disk and its seeks between streams are in it. */
function slowestOf(flow: Flow, streams: number): number {
  const { stretches } = run([{ ...flow, streams }], { record: true }).flows[0]!;
  return stretches.reduce((least, s) => (s.seconds > 0 ? Math.min(least, s.rate) : least), Infinity);
}

/** Whether streams at their own pace, with the buffer between, end late. */
function stalls(flow: Flow, streams: number, demand: number, bytes: number, buffer: number): boolean {
  const paced = { ...flow, files: 0, streams, pace: demand, buffer: demand * buffer, memory: 1e12 };
  return run([paced]).flows[0]!.bar > (Math.max(1, bytes) / demand) * (1 + LATE);
}

interface Samples {
  demand: Spread;
  sustained: Spread;
  margin: Spread;
  stalled: number;
}

function sampled(inputs: Inputs, lasts: Estimate, buffer: Estimate, { streams }: Stream): Samples {
  const demands = new Float64Array(SAMPLES);
  const slowest = new Float64Array(SAMPLES);
  const margins = new Float64Array(SAMPLES);
  let stalled = 0;
  const all = { ...inputs, inputs: { ...inputs.inputs, lasts, bridged: buffer } };
  const { x: mid, chosen: usual } = expectedOf<string>(all);
  const wanted = demandOf(mid.bytes!, mid.lasts!);
  const least = slowestOf(inputs.plan(mid, usual)[0]!, streams);
  eachDraw<string>(all, SEED, ({ x, chosen }, i) => {
    const demand = demandOf(x.bytes!, x.lasts!);
    demands[i] = demand;
    slowest[i] = slowestOf(inputs.plan(x, chosen)[0]!, streams);
    margins[i] = slowest[i] / demand;
    // Media are what they were before the first run: another plan of the same numbers.
    if (stalls(inputs.plan(x, chosen)[0]!, streams, demand, x.bytes!, x.bridged!)) stalled++;
  });
  return {
    demand: about(wanted, demands),
    sustained: about(least, slowest),
    margin: about(least / wanted, margins),
    stalled: stalled / SAMPLES,
  };
}

/** A rate that must not stall: what the drive sustains over what is wanted. */
export const STREAM: Kind<Stream> = {
  size: ({ streams, rate }) => `${streams} × ${factWords(rate, 'B/s')}`,
  transfer: (stream) => transferOf(recordersFor().bare, stream),

  answer(of, path) {
    const record = recordersFor(of.own).explaining;
    const { activity } = of;
    const inputs = inputsFor(record, of, path, transferOf(record, activity));
    const lasts = lastsOf(record, activity);
    const buffer = record.fact('buffer', activity.buffer, 's', marketOf(record, 'stream.buffer'));
    const found = sampled(inputs, lasts, buffer, activity);
    const demand = worked('asked by all streams', found.demand, 'B/s', {
      how: 'sampled',
      formula: 'bytes ÷ how long they last',
      inputs: [inputs.inputs.bytes, lasts],
    });
    const sustained = worked('sustained after cache and heat', found.sustained, 'B/s', {
      how: 'sampled',
      formula: 'slowest stretch of the whole length',
      note: 'Cache, heat, zones of a disk and its seeks between streams are in it.',
      inputs: Object.values(inputs.inputs),
    });
    const margin = worked('margin', found.margin, 'ratio', {
      how: 'sampled',
      formula: 'sustained ÷ asked',
      inputs: [sustained, demand, given('buffer', buffer, 's', buffer.because.source ?? { kind: 'unknown' })],
    });
    const probability = 1 - found.stalled;
    return { figure: margin, rate: null, probability, more: [demand, sustained], course: null };
  },

  screen(of, path) {
    const record = recordersFor(of.own).bare;
    const inputs = inputsFor(record, of, path, transferOf(record, of.activity));
    const { x, chosen } = expectedOf(inputs);
    const lasts = lastsOf(record, of.activity).expected;
    return slowestOf(inputs.plan(x, chosen)[0]!, of.activity.streams) / demandOf(x.bytes!, lasts);
  },

  bytesPerDay: (record, stream, direction) =>
    stream.direction === direction ? bytesADay(record, stream, direction, bytesOf(record, stream)) : null,

  daily: {
    inputs: (record, stream) => ({ lasts: lastsOf(record, stream) }),
    flows: (flows, x) => [{ ...flows[0]!, files: 0, pace: demandOf(x.bytes!, x.lasts!) }],
  },

  apart(one, two) {
    const share = ({ name, answer }: Answered<Stream>) =>
      `${name} in ${format(1 - answer.probability!, '%', 2)}`;
    return `Stalls: ${share(one)}, ${share(two)} of all cases.`;
  },
};
