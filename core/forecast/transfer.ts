import { about, eachDraw, exactly, expectedOf, isExact, middlesOf, SAMPLES, SEED, summary } from '../stats';
import type { Choice, Drawing, Drawn, Spread } from '../stats';
import { worked, type Estimate } from '../evidence';
import { momentAt, phasesOf, run, type Cause, type Outcome, type Phase, type Stretch } from '../models';
import { format, numeral } from '../units';
import type { Inputs, Transfer } from './inputs';
import { wayWords, CHOICE_WORDS } from './words';
import { beyondModels } from './beyond';

/** What the 5, 50 and 95 % of samples show when so many bytes have been moved. */
export interface ProfilePoint extends Spread {
  bytes: number;
}

/** How far one input, or one choice between ways, alone moves the answer. */
export interface Sensitivity {
  /** The input's, or the choice's. */
  id: string;
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
  /** Which inputs move the answer most; made on demand. */
  drivers(): Sensitivity[];
  inputs: Inputs;
  /** Each of the samples' times, s. */
  times: Float64Array;
  /** Probability that it takes at most so many seconds. */
  within(seconds: number): number;
}

/** Each way once. */
const waysOf = <W extends { id: string }>(ways: readonly W[]): W[] =>
  ways.filter((w, i) => ways.findIndex((v) => v.id === w.id) === i);

function noteOf(seed: number, choices: readonly Choice[]): string {
  const draws =
    `Ranges from ${numeral(SAMPLES)} samples, seed ${seed}: independent ` +
    'inputs, each run from event to event (source ends, cache used up, zone of a disk, ' +
    'throttle), and what the models leave out. The figure is what every input at its middle leads to; the range is that of the draws.';
  if (choices.length === 0) return draws;
  const each = choices.map(
    ({ id, ways }) =>
      `${CHOICE_WORDS[id] ?? id} (${waysOf(ways)
        .map((w) => wayWords(id, w.id))
        .join(', ')})`,
  );
  return `${draws} Not known, so every draw takes one of them: ${each.join('; ')}.`;
}

/** When the transfer's own flows are done. */
const ended = ({ flows }: Outcome, { own }: Pick<Inputs, 'own'>): number => flows[own - 1]!.safe;
const drives = (outcome: Outcome) => outcome.stores.filter((s) => s.store.role === 'drive');
/** °C of the drive at its hottest; NaN where it has no heat. */
export const warmest = (outcome: Outcome): number => Math.max(...drives(outcome).map((s) => s.hottest));
const planned = (inputs: Pick<Inputs, 'plan'>, { x, chosen }: Drawn<string>) => inputs.plan(x, chosen);
const isCertain = ({ inputs, choices = [] }: Pick<Inputs, 'inputs' | 'choices'>): boolean =>
  Object.values(inputs).every(isExact) && choices.every((c) => c.ways.length < 2);

/** A transfer with every input at its middle, in numbers only. */
export interface BareTransfer {
  /** s until all is written and verified, and until the bar is full. */
  seconds: number;
  bar: number;
  /** °C of the drive at its hottest; NaN without heat. */
  hottest: number;
}

/** {@link forecastTransfer} with every input at its middle: numbers only, for candidates by the hundred thousand. */
export function bareTransfer(inputs: Inputs<Spread>): BareTransfer {
  const outcome = run(planned(inputs, expectedOf(inputs)));
  return { seconds: ended(outcome, inputs), bar: outcome.flows[0]!.bar, hottest: warmest(outcome) };
}

/** What each draw comes to. */
interface Samples {
  times: Float64Array;
  bars: Float64Array;
  rates: Float64Array;
  hottest: Float64Array;
}

function sampled(inputs: Inputs, seed: number): Samples {
  const of = () => new Float64Array(SAMPLES);
  const found = { times: of(), bars: of(), rates: of(), hottest: of() };
  const beyond = beyondModels(seed, inputs.beyond);
  eachDraw(inputs, seed, (drawn, i) => {
    const one = run(planned(inputs, drawn));
    const by = beyond[i]!;
    found.times[i] = by * ended(one, inputs);
    found.bars[i] = by * one.flows[0]!.bar;
    found.rates[i] = drawn.x.bytes! / (by * one.flows[0]!.safe);
    found.hottest[i] = warmest(one);
  });
  return found;
}

/**
 * Forecasts one transfer: time and rate as ranges with their working, its course, and probabilities.
 * @param inputs what it depends on, as collected
 */
export function forecastTransfer(
  inputs: Inputs,
  { direction, verify }: Pick<Transfer, 'direction' | 'verify'>,
  seed: number = SEED,
): TransferForecast {
  const middle = expectedOf(inputs);
  const outcome = run(planned(inputs, middle), { record: true });
  const copy = outcome.flows[0]!;
  const seconds = ended(outcome, inputs);
  const samples = sampled(inputs, seed);
  const moved = middle.x.bytes!;
  const { bytes } = inputs.inputs;
  const { choices = [] } = inputs;
  const certain = isCertain(inputs);
  const how = certain ? 'exact' : 'sampled';
  const figure = (value: number, of: Float64Array): Spread => (certain ? exactly(value) : about(value, of));

  const time = worked(
    `time to ${direction}${verify ? ' and verify' : ''}`,
    figure(seconds, samples.times),
    's',
    {
      how,
      ...inWords(outcome, middle.x, inputs.own),
      note: noteOf(seed, choices),
      inputs: Object.values(inputs.inputs),
    },
  );
  const bar = worked('time until the progress bar is full', figure(copy.bar, samples.bars), 's', {
    how,
    formula: 'time until all is written − what is done after the bar is full',
    filled: `${format(seconds, 's', 4)} − ${format(seconds - copy.bar, 's', 3)} = ${format(copy.bar, 's')}`,
    note: `After the bar is full the host’s memory is written out${verify ? ' and all is read back' : ''}: eject before unplugging.`,
    inputs: [time],
  });
  const rate = worked('average rate', figure(moved / copy.safe, samples.rates), 'B/s', {
    how,
    formula: 'bytes ÷ time',
    filled: `${format(bytes.expected, 'B', 4)} ÷ ${format(copy.safe, 's', 4)}`,
    inputs: [bytes, time],
  });
  const within = (limit: number): number => {
    if (certain) return Number(seconds <= limit);
    return samples.times.reduce((count, t) => count + (t <= limit ? 1 : 0), 0) / SAMPLES;
  };
  return {
    time,
    bar,
    rate,
    phases: phasesOf(copy.stretches, moved),
    stretches: copy.stretches,
    causes: causesOf(outcome, inputs.own),
    hottest: hottestOf(outcome, inputs, figure(warmest(outcome), samples.hottest), how),
    energy: energyOf(outcome, inputs),
    profile: () => profile(inputs, moved, seed),
    drivers: () => drivers(inputs),
    inputs,
    times: samples.times,
    within,
  };
}

const HEAT = ['air', 'resistance', 'heatCapacity', 'idle', 'busy', 'hot'];
const heatOf = ({ inputs }: Inputs): Estimate[] => HEAT.flatMap((id) => inputs[id] ?? []);

function hottestOf(
  outcome: Outcome,
  inputs: Inputs,
  value: Spread,
  how: 'exact' | 'sampled',
): Estimate | null {
  if (Number.isNaN(warmest(outcome))) return null;
  return worked('temperature of the drive at its hottest', value, '°C', {
    how,
    formula: 'air + power × resistance, approached with the time constant resistance × what warms up',
    filled: warmWords(outcome),
    note: 'The drive’s power lies between doing nothing and fully busy by the share of the time it works.',
    inputs: heatOf(inputs),
  });
}

/** Where the expected course last was heading, and how far it came. */
function warmWords(outcome: Outcome): string {
  const warm = outcome.flows[0]!.stretches.findLast((s) => s.warm)?.warm;
  const hottest = format(warmest(outcome), '°C');
  if (!warm) return hottest;
  return `towards ${format(warm.to, '°C')} with a time constant of ${format(warm.tau, 's')}: ${hottest}`;
}

function energyOf(outcome: Outcome, inputs: Inputs): Estimate | null {
  const [drive] = drives(outcome);
  if (!drive?.store.heat) return null;
  const power = format(drive.energy / outcome.seconds, 'W');
  return worked('energy the drive draws', exactly(drive.energy), 'J', {
    how: 'exact',
    formula: 'power × time, over every stretch of the expected course',
    filled: `${power} × ${format(outcome.seconds, 's')} = ${format(drive.energy, 'J')}`,
    inputs: heatOf(inputs),
  });
}

/** Times of the samples, s, with the draws named otherwise. */
export function timesOf(inputs: Inputs, named: Drawing['named'], seed: number = SEED): Float64Array {
  const times = new Float64Array(SAMPLES);
  const beyond = beyondModels(seed, inputs.beyond);
  const visit = (drawn: Drawn<string>, i: number) => {
    times[i] = beyond[i]! * ended(run(planned(inputs, drawn)), inputs);
  };
  eachDraw(inputs, seed, visit, named ? { named } : {});
  return times;
}

/** Stretches in a row that one thing holds: their bytes, and s without the files' own cost. */
interface Leg {
  bytes: number;
  seconds: number;
}

function legsOf(stretches: readonly Stretch[], overhead: number): Leg[] {
  const found: Leg[] = [];
  let limit: Stretch['limit'] | null = null;
  for (const s of stretches) {
    if (s.limit !== limit) found.push({ bytes: 0, seconds: 0 });
    limit = s.limit;
    const leg = found.at(-1)!;
    leg.bytes += s.rate * s.seconds;
    leg.seconds += s.seconds * (1 - s.rate * overhead);
  }
  return found.filter((leg) => leg.bytes > 0 && leg.seconds > 0);
}

/** The working of the expected course: every phase's bytes over the rate that decides there, and the files. */
function inWords(
  { flows }: Outcome,
  x: Record<string, number>,
  own: number,
): { formula: string; filled: string } {
  const forFiles = x.files! * x.perFile!;
  const legs = flows.slice(0, own).flatMap((flow) => legsOf(flow.stretches, forFiles / x.bytes!));
  const parts = legs.map(
    (leg) => `${format(leg.bytes, 'B', 4)} ÷ ${format(leg.bytes / leg.seconds, 'B/s', 4)}`,
  );
  const times = own > 1 ? `${own} × ` : '';
  const files = forFiles > 0 ? ` + ${times}${format(x.files!, 'count')} × ${format(x.perFile!, 's')}` : '';
  return {
    formula: 'bytes of each phase ÷ its rate + files × per-file overhead',
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

function drivers(inputs: Inputs): Sensitivity[] {
  const base = expectedOf(inputs);
  const secondsWith = (x: Record<string, number>, chosen: Record<string, string> = {}) =>
    ended(run(inputs.plan({ ...base.x, ...x }, { ...base.chosen, ...chosen })), inputs);
  const of = (id: string, name: string, input: Estimate | null, at: Sensitivity['at']): Sensitivity => {
    const seconds = at.map((a) => a.seconds);
    return { id, name, input, at, swing: Math.max(...seconds) - Math.min(...seconds) };
  };
  const byInput = Object.entries(inputs.inputs)
    .filter(([, e]) => !isExact(e))
    .map(([id, e]) => {
      const at = (value: number) => ({ is: format(value, e.unit), seconds: secondsWith({ [id]: value }) });
      return of(id, e.because.name, e, [at(e.low), at(e.high)]);
    });
  const byChoice = (inputs.choices ?? []).map(({ id, ways }) => {
    const at = waysOf(ways).map((way) => ({
      is: wayWords(id, way.id),
      seconds: secondsWith(middlesOf(way.inputs), { [id]: way.id }),
    }));
    return of(id, CHOICE_WORDS[id] ?? id, null, at);
  });
  return [...byInput, ...byChoice].filter((s) => s.swing > 0).sort((a, b) => b.swing - a.swing);
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
  const column = () => ({
    rates: new Float64Array(SAMPLES / EVERY),
    warm: new Float64Array(SAMPLES / EVERY),
  });
  const columns = Array.from({ length: POINTS }, column);
  const at = (k: number) => Math.min((bytes * k) / (POINTS - 1), bytes * (1 - 1e-9));
  const visit = ({ x, chosen }: Drawn<string>, i: number) => {
    const drawn = { ...x, bytes, files: (x.files! * bytes) / x.bytes! };
    const { stretches } = run(inputs.plan(drawn, chosen), { record: true }).flows[0]!;
    columns.forEach((c, k) => {
      const { rate, warm } = momentAt(stretches, at(k));
      c.rates[i / EVERY] = rate;
      c.warm[i / EVERY] = warm ?? NaN;
    });
  };
  eachDraw(inputs, seed, visit, { every: EVERY });
  const band = (of: (c: (typeof columns)[number]) => Float64Array) =>
    columns.map((c, k) => ({ bytes: (bytes * k) / (POINTS - 1), ...summary(of(c)) }));
  return {
    speed: band((c) => c.rates),
    warmth: Number.isNaN(columns[0]!.warm[0]!) ? null : band((c) => c.warm),
  };
}
