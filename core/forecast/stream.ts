import { eachDraw, SAMPLES, SEED, summary } from '../stats';
import { fromFact, given, worked, type Estimate } from '../evidence';
import type { Stream } from '../job';
import type { Path } from '../build/path';
import { run } from '../models/transfer';
import { inputsOf, type TransferTask } from './inputs';
import { STREAM_UNKNOWN } from './market';

export interface StreamForecast {
  /** What all streams want together, and what the drive sustains for them after cache and heat. */
  demand: Estimate;
  sustained: Estimate;
  /** Sustained over wanted: below 1 it falls behind. */
  margin: Estimate;
  /** Probability that it stalls although the buffer bridges what it can. */
  stalls: number;
}

/** A player's or recorder's own buffer where nobody says, s [memory]. */
const BUFFER = { range: { low: 0.5, expected: 3, high: 15 }, note: 'players and recorders, from memory' };
/** Longer than the pace allows by more than this share is a stall. */
const LATE = 1e-6;

/** B/s that a stream asks; never nothing, so that it comes to an end. */
export const wanted = (bytes: number, seconds: number): number =>
  Math.max(1, bytes / Math.max(1e-3, seconds));

/**
 * Whether streams that must not stall are sustained: the slowest stretch of their whole length, cache, heat, zones and seeks in it, against what they want; and
 * the same run at their own pace with the buffer between.
 * @throws RangeError when the path is blocked
 */
export function forecastStream(
  path: Path,
  task: TransferTask,
  activity: Stream,
  seed = SEED,
): StreamForecast {
  const inputs = inputsOf(path, task);
  const lasts = fromFact('lasts', activity.lasts, 's', STREAM_UNKNOWN.lasts)!;
  const buffer = fromFact('buffer', activity.buffer, 's', BUFFER)!;
  const all = { ...inputs, inputs: { ...inputs.inputs, lasts, bridged: buffer } };
  const demands = new Float64Array(SAMPLES);
  const slowest = new Float64Array(SAMPLES);
  const margins = new Float64Array(SAMPLES);
  let stalled = 0;
  eachDraw(all, seed, (x, i) => {
    const want = wanted(x.bytes!, x.lasts!);
    const [free] = inputs.plan(x);
    const asFast = run([{ ...free!, streams: activity.streams }], { record: true }).flows[0]!;
    demands[i] = want;
    slowest[i] = asFast.stretches.reduce(
      (least, s) => (s.seconds > 0 ? Math.min(least, s.rate) : least),
      Infinity,
    );
    margins[i] = slowest[i]! / want;
    const [paced] = inputs.plan(x);
    const atPace = run([
      { ...paced!, files: 0, streams: activity.streams, pace: want, buffer: want * x.bridged!, memory: 1e12 },
    ]).flows[0]!;
    if (atPace.bar > (Math.max(1, x.bytes!) / want) * (1 + LATE)) stalled++;
  });
  const demand = worked('wanted by all streams', summary(demands), 'B/s', {
    how: 'sampled',
    formula: 'bytes ÷ how long they last',
    inputs: [inputs.inputs.bytes, lasts],
  });
  const sustained = worked('sustained after cache and heat', summary(slowest), 'B/s', {
    how: 'sampled',
    formula: 'slowest stretch of the whole length',
    note: 'Cache, heat, zones of a disk and its seeks between streams are in it.',
    inputs: Object.values(inputs.inputs),
  });
  return {
    demand,
    sustained,
    margin: worked('margin', summary(margins), 'ratio', {
      how: 'sampled',
      formula: 'sustained ÷ wanted',
      inputs: [sustained, demand, given('buffer', buffer, 's', buffer.because.source ?? { kind: 'unknown' })],
    }),
    stalls: stalled / SAMPLES,
  };
}
