import { eachDraw, expectedOf, isExact, middlesOf, SAMPLES, SEED, summary, type Choice, type Drawing, type Spread } from '../stats';
import { worked, type Estimate } from '../evidence';
import type { Path } from '../build/path';
import { momentAt, phasesOf, run, type Cause, type Outcome, type Phase, type Stretch } from '../models/transfer';
import { format } from '../units';
import { inputsOf, type Inputs, type TransferTask } from './inputs';

/** What the 5, 50 and 95 % of samples show when so many bytes have been moved. */
export interface ProfilePoint extends Spread {
  bytes: number;
}

/** How far one input, or one choice between ways, alone moves the answer. */
export interface Sway {
  name: string;
  /** Null for a choice. */
  input: Estimate | null;
  /** What it may be (its low and its high point, or each way), and s with that and all others at their middle. */
  at: { is: string; seconds: number }[];
  swing: number;
}

export interface TransferForecast {
  /** Until all is written and, where asked for, read back. */
  time: Estimate;
  /** Until the progress bar is full, s: the host's memory may still hold some of it. */
  bar: Estimate;
  /** Bytes over time, files' cost included; a verify pass is not in it. */
  rate: Estimate;
  /** The expected course: phases as the progress bar shows them, and every stretch. */
  phases: Phase[];
  stretches: Stretch[];
  /** Share of the expected time by what holds the rate. */
  causes: { cause: Cause; share: number }[];
  /** Of the drive, where it has a heat model: °C at its hottest, and J it draws on the expected course. */
  hottest: Estimate | null;
  energy: Estimate | null;
  /** Band of the speed, and of the drive's temperature, over the bytes moved; made on demand, for a chart. */
  profile(): { speed: ProfilePoint[]; warmth: ProfilePoint[] | null };
  /** Which input moves the answer most; made on demand. */
  decides(): Sway[];
  inputs: Inputs;
  /** Each of the samples' times, s. */
  times: Float64Array;
  /** Probability that it takes at most so many seconds. */
  chance(seconds: number): number;
}

const NOTE = (seed: number, choices: readonly Choice[]) =>
  `Ranges from ${SAMPLES.toLocaleString('en-GB')} samples, seed ${seed}: independent inputs, each run from event to event (source ends, cache used up, zone of a disk, throttle). The formula shows every input at its middle; the figure itself is the middle of the draws.${
    choices.length > 0
      ? ` Not known, so every draw takes one of them: ${choices
          .map(
            ({ name, ways }) =>
              `${name} (${waysOf(ways)
                .map((w) => w.is)
                .join(', ')})`,
          )
          .join('; ')}.`
      : ''
  }`;

/** Each way once. */
const waysOf = <W extends { is: string }>(ways: readonly W[]): W[] =>
  ways.filter((w, i) => ways.findIndex((v) => v.is === w.is) === i);

/**
 * Forecasts one transfer over a path: time and rate as ranges with their working, its course, and probabilities.
 * @throws RangeError when the path is blocked
 */
export function forecastTransfer(path: Path, task: TransferTask, seed: number = SEED): TransferForecast {
  const inputs = inputsOf(path, task);
  const expected = expectedOf(inputs);
  const outcome = run(inputs.plan(expected), { record: true });
  const copy = outcome.flows[0]!;
  const seconds = ended(outcome, inputs);
  const times = new Float64Array(SAMPLES);
  const bars = new Float64Array(SAMPLES);
  const rates = new Float64Array(SAMPLES);
  const hottest = new Float64Array(SAMPLES);
  eachDraw(inputs, seed, (x, i) => {
    const one = run(inputs.plan(x));
    times[i] = ended(one, inputs);
    bars[i] = one.flows[0]!.bar;
    rates[i] = x.bytes! / one.flows[0]!.safe;
    hottest[i] = warmest(one);
  });
  const phases = phasesOf(copy.stretches, expected.bytes!);
  const { bytes } = inputs.inputs;
  const all = Object.values(inputs.inputs);
  const { choices = [] } = inputs;
  const exact = all.every(isExact) && choices.every((c) => c.ways.length < 2);
  const how = exact ? 'exact' : 'sampled';
  const time = worked(
    `time to ${task.direction}${task.verify ? ' and verify' : ''}`,
    exact ? point(seconds) : summary(times),
    's',
    { how, ...inWords(outcome, expected, inputs.own), note: NOTE(seed, choices), inputs: all },
  );
  const average = exact ? point(expected.bytes! / copy.safe) : summary(rates);
  return {
    time,
    bar: worked('time until the progress bar is full', exact ? point(copy.bar) : summary(bars), 's', {
      how,
      formula: 'time until all is written − what is done after the bar is full',
      filled: `${format(seconds, 's', 4)} − ${format(seconds - copy.bar, 's', 3)} = ${format(copy.bar, 's')}`,
      note: `After the bar is full the host’s memory is written out${task.verify ? ' and all is read back' : ''}: eject before unplugging.`,
      inputs: [time],
    }),
    rate: worked('average rate', average, 'B/s', {
      how,
      formula: 'bytes ÷ time',
      filled: `${format(bytes.expected, 'B', 4)} ÷ ${format(copy.safe, 's', 4)}`,
      inputs: [bytes, time],
    }),
    phases,
    stretches: copy.stretches,
    causes: causesOf(outcome, inputs.own),
    hottest: Number.isNaN(warmest(outcome))
      ? null
      : worked(
          'temperature of the drive at its hottest',
          exact ? point(warmest(outcome)) : summary(hottest),
          '°C',
          {
            how,
            formula: 'air + power × resistance, approached with the time constant resistance × what warms up',
            filled: warmWords(outcome),
            note: 'The drive’s power lies between doing nothing and fully busy by the share of the time it works.',
            inputs: heatOf(inputs),
          },
        ),
    energy: energyOf(outcome, inputs),
    profile: () => profile(inputs, expected.bytes!, seed),
    decides: () => decides(inputs),
    inputs,
    times,
    chance: (wish) =>
      exact
        ? Number(ended(outcome, inputs) <= wish)
        : times.reduce((count, t) => count + (t <= wish ? 1 : 0), 0) / SAMPLES,
  };
}

const HEAT = ['air', 'resistance', 'heatCapacity', 'idle', 'busy', 'hot'];
const heatOf = ({ inputs }: Inputs): Estimate[] => HEAT.flatMap((key) => inputs[key] ?? []);

/** Where the expected course last was heading, and how far it came. */
function warmWords({ flows, stores }: Outcome): string {
  const warm = flows[0]!.stretches.findLast((s) => s.warm)?.warm;
  const hottest = Math.max(...stores.filter((s) => s.store.role === 'drive').map((s) => s.hottest));
  return warm
    ? `towards ${format(warm.to, '°C')} with a time constant of ${format(warm.tau, 's')}: ${format(hottest, '°C')}`
    : format(hottest, '°C');
}

function energyOf(outcome: Outcome, inputs: Inputs): Estimate | null {
  const [drive] = drives(outcome);
  if (!drive?.store.heat) return null;
  return worked('energy the drive draws', point(drive.energy), 'J', {
    how: 'exact',
    formula: 'power × time, over every stretch of the expected course',
    filled: `${format(drive.energy / outcome.seconds, 'W')} × ${format(outcome.seconds, 's')} = ${format(drive.energy, 'J')}`,
    inputs: heatOf(inputs),
  });
}

/** Times of the samples, s, with the draws named otherwise. */
export function timesOf(inputs: Inputs, named: Drawing['named'], seed: number = SEED): Float64Array {
  const times = new Float64Array(SAMPLES);
  eachDraw(inputs, seed, (x, i) => (times[i] = ended(run(inputs.plan(x)), inputs)), named ? { named } : {});
  return times;
}

/** When the transfer's own flows are done. */
const ended = ({ flows }: Outcome, { own }: Inputs): number => flows[own - 1]!.safe;
const point = (value: number): Spread => ({ low: value, expected: value, high: value });
const drives = (outcome: Outcome) => outcome.stores.filter((s) => s.store.role === 'drive');
const warmest = (outcome: Outcome): number => Math.max(...drives(outcome).map((s) => s.hottest));

/** The working of the expected course: every phase's bytes over the rate that decides there, and the files. */
function inWords(
  { flows }: Outcome,
  x: Record<string, number>,
  own: number,
): { formula: string; filled: string } {
  const parts: string[] = [];
  for (const flow of flows.slice(0, own)) {
    let at = 0;
    let [bytes, seconds] = [0, 0];
    let limit = flow.stretches[0]?.limit;
    const overhead = (x.files! * x.perFile!) / x.bytes!;
    const close = () =>
      bytes > 0 &&
      seconds > 0 &&
      parts.push(`${format(bytes, 'B', 4)} ÷ ${format(bytes / seconds, 'B/s', 4)}`);
    for (const s of flow.stretches) {
      if (s.limit !== limit) {
        close();
        [bytes, seconds, limit] = [0, 0, s.limit];
      }
      bytes += s.rate * s.seconds;
      seconds += s.seconds * (1 - s.rate * overhead);
      at++;
    }
    if (at > 0) close();
  }
  const files =
    x.files! * x.perFile! > 0
      ? ` + ${own > 1 ? `${own} × ` : ''}${format(x.files!, 'count')} × ${format(x.perFile!, 's')}`
      : '';
  return {
    formula: 'bytes of each phase ÷ what decides there + files × cost of a file',
    filled: `${parts.join(' + ')}${files} = ${format(flows[own - 1]!.safe, 's')}`,
  };
}

function causesOf({ flows }: Outcome, own: number): TransferForecast['causes'] {
  const sum = new Map<Cause, number>();
  for (const { by } of flows.slice(0, own))
    for (const [cause, s] of Object.entries(by) as [Cause, number][])
      sum.set(cause, (sum.get(cause) ?? 0) + s);
  return [...sum]
    .map(([cause, s]) => ({ cause, share: s / flows[own - 1]!.safe }))
    .sort((a, b) => b.share - a.share);
}

function decides(inputs: Inputs): Sway[] {
  const base = expectedOf(inputs);
  const as = (is: string, part: Record<string, number>) => ({
    is,
    seconds: ended(run(inputs.plan({ ...base, ...part })), inputs),
  });
  const sway = (name: string, input: Estimate | null, at: Sway['at']): Sway => ({
    name,
    input,
    at,
    swing: Math.max(...at.map((a) => a.seconds)) - Math.min(...at.map((a) => a.seconds)),
  });
  const spreads = Object.entries(inputs.inputs).filter(([, e]) => !isExact(e));
  return [
    ...spreads.map(([key, e]) =>
      sway(e.because.name, e, [
        as(format(e.low, e.unit), { [key]: e.low }),
        as(format(e.high, e.unit), { [key]: e.high }),
      ]),
    ),
    ...(inputs.choices ?? []).map(({ name, ways }) =>
      sway(
        name,
        null,
        waysOf(ways).map((w) => as(w.is, middlesOf(w.inputs))),
      ),
    ),
  ]
    .filter((s) => s.swing > 0)
    .sort((a, b) => b.swing - a.swing);
}

const POINTS = 61;
/** A band needs no more draws than this many-th of them. */
const EVERY = 4;

/** Bands over the bytes of the expected copy. */
function profile(
  inputs: Inputs,
  bytes: number,
  seed: number,
): { speed: ProfilePoint[]; warmth: ProfilePoint[] | null } {
  const columns = Array.from({ length: POINTS }, () => ({
    rates: new Float64Array(SAMPLES / EVERY),
    warm: new Float64Array(SAMPLES / EVERY),
  }));
  eachDraw(
    inputs,
    seed,
    (x, i) => {
      const drawn = { ...x, bytes, files: (x.files! * bytes) / x.bytes! };
      const { stretches } = run(inputs.plan(drawn), { record: true }).flows[0]!;
      columns.forEach((column, k) => {
        const { rate, warm } = momentAt(stretches, Math.min((bytes * k) / (POINTS - 1), bytes * (1 - 1e-9)));
        column.rates[i / EVERY] = rate;
        column.warm[i / EVERY] = warm ?? NaN;
      });
    },
    { every: EVERY },
  );
  const band = (of: (column: (typeof columns)[number]) => Float64Array) =>
    columns.map((column, k) => ({ bytes: (bytes * k) / (POINTS - 1), ...summary(of(column)) }));
  return {
    speed: band((c) => c.rates),
    warmth: Number.isNaN(columns[0]!.warm[0]!) ? null : band((c) => c.warm),
  };
}
