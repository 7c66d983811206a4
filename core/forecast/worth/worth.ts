import { beyondModels } from '../beyond';
import { mustNotStall } from '../../job';
import { eachDraw, SAMPLES, SEED, summary } from '../../stats';
import type { Case } from '../case';
import { openIn, type OpenQuestions, type Test } from './kinds/known';
import { toldBy } from './monotone';

/** What finding something out is worth for an activity's target. */
export interface Worth extends Omit<Test, 'signal'> {
  /** Share of all cases in which it changes whether the target can be promised, 0 to 1. */
  changes: number;
  /** How wide the 90 % range of the figure is afterwards, on average, against what it is now, 0 to 1. */
  narrower: number;
}

/** What is worth finding out before an activity's target is promised, the most first. */
export interface WorthFinding {
  activity: string;
  /** s; null of streams, which are not to stall. */
  target: number | null;
  /** Probability that the target is met, as things are known now. */
  now: number;
  /** How probable it has to be to be promised. */
  sure: number;
  list: Worth[];
}

/** Less is not worth a sentence. */
export const LEAST = 0.02;
/** Groups of draws whose ranges are held against the whole. */
const GROUPS = 10;

/** All draws of an answer: its figure, whether the target is met, and what each test would show. */
export interface Draws {
  figures: Float64Array;
  met: Float64Array;
  /** Share that meets the target. */
  now: number;
  signals: Float64Array[];
}

/** Goes through all draws of what is open. */
export function drawn({ of, tell, tests }: OpenQuestions, seed = SEED): Draws {
  const [figures, met] = [new Float64Array(SAMPLES), new Float64Array(SAMPLES)];
  const signals = tests.map(() => new Float64Array(SAMPLES));
  const beyond = of.beyond && beyondModels(seed, of.beyond);
  eachDraw(of, seed, (one, i) => {
    const told = tell(one, beyond?.[i] ?? 1);
    figures[i] = told.figure;
    met[i] = told.met ? 1 : 0;
    tests.forEach((t, k) => {
      signals[k]![i] = t.signal(one);
    });
  });
  return { figures, met, now: met.reduce((sum, m) => sum + m, 0) / SAMPLES, signals };
}

/** A probability told anew counts from this far: twice what so many draws scatter by. */
const MATERIAL = 0.02;

/** How probable the target is in each draw where a test's result is told; as now where it hardly moves. */
export const toldOf = ({ signals, met, now }: Draws, test: number): Float64Array =>
  toldBy(signals[test]!, met).map((p) => (Math.abs(p - now) < MATERIAL ? now : p));

/** Width of the 90 % range. */
const widthOf = (values: Float64Array): number => {
  const { low, high } = summary(values);
  return high - low;
};

/** Mean width within groups of alike signals, against the width of all. */
function narrowing(signal: Float64Array, figures: Float64Array): number {
  const all = widthOf(figures);
  if (all === 0) return 1;
  const order = Array.from(signal.keys()).sort((a, b) => signal[a]! - signal[b]!);
  const size = Math.ceil(order.length / GROUPS);
  const widths = Array.from({ length: GROUPS }, (_, g) =>
    widthOf(Float64Array.from(order.slice(g * size, (g + 1) * size), (i) => figures[i]!)),
  );
  return Math.min(1, widths.reduce((sum, w) => sum + w, 0) / GROUPS / all);
}

/** By how much a minute changes, the most first. */
export const byMinute = (a: Pick<Worth, 'changes' | 'minutes'>, b: Pick<Worth, 'changes' | 'minutes'>) =>
  b.changes / b.minutes - a.changes / a.minutes;

/**
 * What is worth finding out before an activity's target is promised. Each thing that is open is held against the draws of the forecast: what
 * it would show in each, and how often the target is met where that is shown. By how often the promise changes for each minute, the most first.
 * @param sure how probable the target must be to be promised, 0 to 1
 * @returns null where no target is set, nothing flows or all is known
 */
export function worthFinding(of: Case, sure: number, seed = SEED): WorthFinding | null {
  const open = openIn(of);
  if (!open) return null;
  const draws = drawn(open, seed);
  const { figures, now, signals } = draws;
  const list = open.tests
    .map(({ signal: _, ...test }, k): Worth => {
      const told = toldOf(draws, k);
      const changed = told.reduce((n, p) => n + (p >= sure !== now >= sure ? 1 : 0), 0);
      return { ...test, changes: changed / SAMPLES, narrower: narrowing(signals[k]!, figures) };
    })
    .filter(({ changes }) => changes >= LEAST)
    .sort(byMinute);
  const { id, target } = of.activity;
  return { activity: id, target: mustNotStall(of.activity) ? null : target, now, sure, list };
}
