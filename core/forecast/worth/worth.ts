import { eachDraw, isExact, SAMPLES, SEED, summary, type Drawn } from '../../stats';
import { explaining } from '../../evidence';
import { run } from '../../models/transfer';
import { collect } from '../answer';
import type { Case } from '../case';
import { CHOICES, type Inputs } from '../inputs';
import { toldBy } from './monotone';

/** What could be found out: by a question, by the data sheet, or by measuring. */
export type WorthId =
  | 'ask fill'
  | 'ask bytes'
  | 'ask files'
  | 'sheet class'
  | 'sheet recording'
  | 'look revision'
  | 'look air'
  | 'time small files'
  | 'time short copy'
  | 'time long copy';

/** What finding something out is worth for an activity's target. */
export interface Worth {
  id: WorthId;
  minutes: number;
  /** B written to the drive by it, and B of the copy that is timed; 0 where none is. */
  wear: number;
  bytes: number;
  /** Share of all cases in which it changes whether the target can be promised, 0 to 1. */
  changes: number;
  /** How wide the 90 % range of the time is afterwards, on average, against what it is now, 0 to 1. */
  narrower: number;
}

/** What is worth finding out before an activity's target is promised, the most first. */
export interface WorthFinding {
  activity: string;
  /** s. */
  target: number;
  /** Probability that the target is met, as things are known now. */
  now: number;
  /** How probable it has to be to be promised. */
  sure: number;
  list: Worth[];
}

/** Minutes of a question, of a look, of finding the data sheet; of setting up a timed copy [common practice]. */
const MINUTES = { ask: 1, look: 2, sheet: 5, setUp: 1 };
/** A short copy stays in any cache; a long one outlasts it so many times. */
const SHORT = 10e9;
const BEYOND = 1.4;
/** Less is not worth a sentence. */
const LEAST = 0.02;
/** Groups of draws whose ranges are held against the whole. */
const GROUPS = 10;

/** Something to find out: what each case would show, and what it takes. */
interface Test extends Pick<Worth, 'id' | 'minutes' | 'wear' | 'bytes'> {
  signal(drawn: Drawn<string>): number;
}

const endOf = (inputs: Inputs, { x, chosen }: Drawn<string>, bytes: number): number => {
  const files = Math.max(1, (x.files! * bytes) / x.bytes!);
  return run(inputs.plan({ ...x, bytes, files }, chosen)).flows[0]!.safe;
};

/** What is open in a case, and how it could be found out. */
function testsOf(inputs: Inputs, writes: boolean): Test[] {
  const { inputs: known, choices = [] } = inputs;
  const open = (id: string) => known[id] !== undefined && !isExact(known[id]);
  const by = (id: WorthId, minutes: number, signal: Test['signal']): Test => ({
    id,
    minutes,
    signal,
    wear: 0,
    bytes: 0,
  });
  const asked = (['fill', 'bytes', 'files'] as const)
    .filter(open)
    .map((key) => by(`ask ${key}`, MINUTES.ask, ({ x }) => x[key]!));
  const chosen = (
    [
      [CHOICES.class, 'sheet class', MINUTES.sheet],
      [CHOICES.recording, 'sheet recording', MINUTES.sheet],
      [CHOICES.revision, 'look revision', MINUTES.look],
    ] as const
  ).flatMap(([choice, id, minutes]) => {
    const ways = choices.find((c) => c.id === choice)?.ways ?? [];
    return ways.length < 2 ? [] : [by(id, minutes, (d) => ways.findIndex((w) => w.id === d.chosen[choice]))];
  });
  const air = open('air') ? [by('look air', MINUTES.look, ({ x }) => x.air!)] : [];
  const copy = (id: WorthId, bytes: number): Test => {
    const seconds = endOf(inputs, middle(inputs), bytes);
    return {
      id,
      bytes,
      wear: writes ? bytes : 0,
      minutes: MINUTES.setUp + seconds / 60,
      signal: (drawn) => endOf(inputs, drawn, bytes),
    };
  };
  const whole = known.bytes.expected;
  const long = Math.min(whole, Math.max(2 * SHORT, BEYOND * (known.cache?.high ?? 0)));
  const smallFiles = open('perFile') && known.files.expected > 1;
  return [
    ...asked,
    ...chosen,
    ...air,
    ...(smallFiles ? [by('time small files', 3, ({ x }) => x.perFile!)] : []),
    ...(whole > SHORT ? [copy('time short copy', SHORT)] : []),
    copy('time long copy', long),
  ];
}

const middle = ({ inputs }: Inputs): Drawn<string> => ({
  x: Object.fromEntries(Object.entries(inputs).map(([id, e]) => [id, e.expected])),
  chosen: {},
});

/** Width of the 90 % range. */
const widthOf = (values: Float64Array): number => {
  const { low, high } = summary(values);
  return high - low;
};

/** Mean width within groups of alike signals, against the width of all. */
function narrowing(signal: Float64Array, times: Float64Array): number {
  const all = widthOf(times);
  if (all === 0) return 1;
  const order = Array.from(signal.keys()).sort((a, b) => signal[a]! - signal[b]!);
  const size = Math.ceil(order.length / GROUPS);
  const widths = Array.from({ length: GROUPS }, (_, g) =>
    widthOf(Float64Array.from(order.slice(g * size, (g + 1) * size), (i) => times[i]!)),
  );
  return Math.min(1, widths.reduce((sum, w) => sum + w, 0) / GROUPS / all);
}

/**
 * What is worth finding out before the target of a copy is promised. Each thing that is open is held against the draws of the forecast: what
 * it would show in each, and how often the target is met where that is shown. By how often the promise changes for each minute, the most first.
 * @param sure how probable the target must be to be promised, 0 to 1
 * @returns null where nothing is moved, no target is set, nothing flows or all is known
 */
export function worthFinding(of: Case, sure: number, seed = SEED): WorthFinding | null {
  const { activity } = of;
  if (activity.kind !== 'move' || activity.target === null) return null;
  const inputs = collect(explaining, of);
  if (!inputs || Object.values(inputs.inputs).every(isExact)) return null;
  const { target } = activity;
  const tests = testsOf(inputs, activity.direction === 'write');
  const times = new Float64Array(SAMPLES);
  const signals = tests.map(() => new Float64Array(SAMPLES));
  eachDraw(inputs, seed, (drawn, i) => {
    times[i] = run(inputs.plan(drawn.x, drawn.chosen)).flows[inputs.own - 1]!.safe;
    tests.forEach((t, k) => {
      signals[k]![i] = t.signal(drawn);
    });
  });
  const met = times.map((t) => (t <= target ? 1 : 0));
  const now = met.reduce((sum, m) => sum + m, 0) / SAMPLES;
  const list = tests
    .map(({ signal: _, ...test }, k): Worth => {
      const told = toldBy(signals[k]!, met);
      const changed = told.reduce((n, p) => n + (p >= sure !== now >= sure ? 1 : 0), 0);
      return { ...test, changes: changed / SAMPLES, narrower: narrowing(signals[k]!, times) };
    })
    .filter(({ changes }) => changes >= LEAST)
    .sort((a, b) => b.changes / b.minutes - a.changes / a.minutes);
  return { activity: activity.id, target, now, sure, list };
}
