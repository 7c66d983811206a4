import { eachDraw, expectedOf, SAMPLES, SEED, about, type Drawn, type Spread } from '../../stats';
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
import type { Path } from '../../assembly';
import { run, type Flow } from '../../models';
import { format } from '../../units';
import type { Stream } from '../../job';
import type { Case } from '../case';
import type { Inputs, Transfer } from '../inputs';
import type { Answered, KindModel } from './kind';
import { bytesADay, inputsFor } from './shared';

const manyTimes = formula({
  name: 'bytes of the streams',
  unit: 'B',
  inputs: { rate: 'rate of each', streams: 'streams', lasts: 'lasts' },
  of: (m, x) => m.mul(m.mul(x.rate, x.streams), x.lasts),
});

const allStreams = formula({
  name: 'asked by all streams',
  unit: 'B/s',
  inputs: { each: 'rate of each', streams: 'streams' },
  of: (m, x) => m.mul(x.each, x.streams),
});

const lastsOf = <T extends Spread>(record: Recorder<T>, { lasts }: Stream): T =>
  record.fact('lasts', lasts, 's', marketOf(record, 'stream.lasts'));

const rateOf = <T extends Spread>(record: Recorder<T>, { rate }: Stream): T =>
  record.fact('rate of each', rate, 'B/s', marketOf(record, 'stream.rate'));

/** B of all streams over their length. */
function bytesOf<T extends Spread>(record: Recorder<T>, stream: Stream): T {
  const rate = rateOf(record, stream);
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

/** What streams go by, draw by draw: their transfer, the rate of each, how long they last, what their buffer bridges. */
export function pacedOf<T extends Spread>(record: Recorder<T>, of: Case<Stream>, path: Path) {
  const inputs = inputsFor(record, of, path, transferOf(record, of.activity));
  const each = rateOf(record, of.activity);
  const lasts = lastsOf(record, of.activity);
  const bridged = record.fact('buffer', of.activity.buffer, 's', marketOf(record, 'stream.buffer'));
  return { ...inputs, inputs: { ...inputs.inputs, each, lasts, bridged } };
}
type Paced<T extends Spread> = ReturnType<typeof pacedOf<T>>;

/** B/s of the slowest stretch of the whole length: cache, heat, zones of a disk and its seeks between streams are in it. */
export function slowestOf(flow: Flow, streams: number): number {
  const { stretches } = run([{ ...flow, streams }], { record: true }).flows[0]!;
  return stretches.reduce((least, s) => (s.seconds > 0 ? Math.min(least, s.rate) : least), Infinity);
}

/** A draw of streams: what all ask for in B/s, and the transfer that comes to over their length. */
export function drawnStreams({ plan }: Pick<Inputs, 'plan'>, { x, chosen }: Drawn<string>, stream: Stream) {
  const demand = Math.max(1, x.each! * stream.streams);
  const bytes = demand * Math.max(1e-3, x.lasts!);
  // Media are what they were before the first run: each run has a plan of its own.
  const flow = (of = bytes) => plan({ ...x, bytes: of }, chosen)[0]!;
  return { demand, bytes, flow, buffer: x.bridged! };
}

/** Whether streams at their own pace, with the buffer between, end late in a draw. */
export function stalls(
  { demand, bytes, flow, buffer }: ReturnType<typeof drawnStreams>,
  { streams }: Stream,
): boolean {
  const paced = { ...flow(), files: 0, streams, pace: demand, buffer: demand * buffer, memory: 1e12 };
  return run([paced]).flows[0]!.bar > (bytes / demand) * (1 + LATE);
}

interface Samples {
  sustained: Spread;
  margin: Spread;
  /** Share of the draws in which nothing stalls. */
  holds: number;
}

function sampled(all: Paced<Estimate>, stream: Stream): Samples {
  const slowest = new Float64Array(SAMPLES);
  const margins = new Float64Array(SAMPLES);
  let held = 0;
  const { streams } = stream;
  const middle = drawnStreams(all, expectedOf<string>(all), stream);
  const least = slowestOf(middle.flow(), streams);
  eachDraw<string>(all, SEED, (drawn, i) => {
    const one = drawnStreams(all, drawn, stream);
    slowest[i] = slowestOf(one.flow(), streams);
    margins[i] = slowest[i] / one.demand;
    if (!stalls(one, stream)) held++;
  });
  return {
    sustained: about(least, slowest),
    margin: about(least / middle.demand, margins),
    holds: held / SAMPLES,
  };
}

/** A rate that must not stall: what the drive sustains over what is wanted. */
export const STREAM_MODEL: KindModel<Stream> = {
  size: ({ streams, rate }) => `${streams} × ${factWords(rate, 'B/s')}`,
  transfer: (stream) => transferOf(recordersFor().bare, stream),

  answer(of, path) {
    const record = recordersFor(of.shopRanges).explaining;
    const all = pacedOf(record, of, path);
    const { lasts: _, each, bridged: buffer, ...inputs } = all.inputs;
    const found = sampled(all, of.activity);
    const streams = record.given('streams', of.activity.streams, 'count', { kind: 'entered' });
    const demand = record.of(allStreams, { each, streams });
    const sustained = worked('sustained after cache and heat', found.sustained, 'B/s', {
      how: 'sampled',
      formula: 'slowest stretch of the whole length',
      note: 'Cache, heat, zones of a disk and its seeks between streams are in it.',
      inputs: Object.values(inputs),
    });
    const margin = worked('margin', found.margin, 'ratio', {
      how: 'sampled',
      formula: 'sustained ÷ asked',
      inputs: [sustained, demand, given('buffer', buffer, 's', buffer.because.source ?? { kind: 'unknown' })],
    });
    return { figure: margin, rate: null, probability: found.holds, more: [demand, sustained], course: null };
  },

  screen(of, path) {
    const all = pacedOf(recordersFor(of.shopRanges).bare, of, path);
    const { flow, demand } = drawnStreams(all, expectedOf<string>(all), of.activity);
    return slowestOf(flow(), of.activity.streams) / demand;
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
