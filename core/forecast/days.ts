import { dataMembers } from '../arrays';
import { keeping, USABLE } from '../copies';
import { repeat, type Day, type Kept, type Repeated } from '../days';
import { eachDraw, expectedOf, fromFact, SAMPLES, SEED, spread, summary, type Spread, type Uncertain } from '../evidence';
import { isMove, type Move } from '../job';
import { asRevised } from '../parts';
import { layoutOf, taskOf, transferPath, type Plan } from './job';
import { inputsOf, type Inputs } from './inputs';
import { together, type Together } from './together';

/** When something stops being as wished, in years from the first day; Infinity: not within the time looked at. */
export interface Ends {
  /** The drive is full. */
  full: Spread | null;
  /** Written as much as the rating says; null where there is none. */
  worn: Spread | null;
  /** An activity takes longer than wished, by its id. */
  slow: { activity: string; when: Spread }[];
}

export interface DaysForecast {
  /** Every day at the inputs' middle. */
  days: Day[];
  activities: Move[];
  ends: Ends;
  /** Whether the cache is back each time an activity begins, at the inputs' middle. */
  recovers: boolean;
}

/** Draws that a range of dates is made of: each so many-th of the thousand. */
const EVERY = 16;
/** Days between two looks in the range of dates. */
const LOOK = 45;

/**
 * Lives through a job's repeated moves: each at its times a day, idle between, the drive filling as the kept data grows.
 * @param years how long to look ahead
 * @returns null while nothing is built, the path is blocked, or nothing is moved
 * @throws RangeError for years that are not positive
 */
export function repeatJob(job: Plan, { years, ranges = true, seed = SEED }: { years: number; ranges?: boolean; seed?: number }): DaysForecast | null {
  if (!(years > 0)) throw new RangeError('Years to look ahead must be more than zero.');
  const { build, host } = job;
  const moves = job.activities.filter(isMove);
  if (!build || moves.length === 0) return null;
  const path = transferPath(host, build);
  if (path.blocked.length > 0) return null;
  const each = moves.map((m) => inputsOf(m.endpoint === undefined ? path : transferPath(host, build, m.endpoint), taskOf(job, m)));
  const keeps = keeping(job.activities.filter((a) => a.kind === 'keep'));
  const all = combined(each, keeps, moves);
  const layout = layoutOf(build);
  const drive = asRevised(build.drive);
  const capacity = fromFact('capacity', drive.capacity, 'B', { range: spread(250e9, 1000e9, 4000e9), note: 'capacities on sale' })!.expected * (layout ? dataMembers(layout) : 1);
  const horizon = Math.round(years * 365);
  const kept = (x: Record<string, number>): Kept => ({ capacity, fill: x.now === undefined ? x.fill! : keeps.now(x) / capacity, growth: keeps.growth(x), most: x.usable! });
  const plans = (x: Record<string, number>): Repeated[] =>
    moves.map((m, i) => {
      const numbers = all.of(x, i);
      return { id: m.id, perDay: x[`${i} times`]!, plan: (fill) => ((numbers.fill = fill), each[i]!.plan(numbers)) };
    });
  const middle = expectedOf(all);
  const { days, full } = repeat(plans(middle), kept(middle), horizon);
  const tbw = drive.media === 'flash' ? fromFact('TBW', drive.tbw, 'B') : null;
  const found: DaysForecast = { days, activities: moves, recovers: days.every((d) => d.ready.every((r) => r > 0.999)), ends: { full: null, worn: null, slow: [] } };
  const inYears = (day: number | null) => (day === null ? Infinity : day / 365);
  const point = (v: number): Spread => ({ low: v, expected: v, high: v });
  const slowAt = (list: readonly Day[], i: number) => inYears(list.find((d) => d.seconds[i]! > moves[i]!.wish!)?.day ?? null);
  const wornAt = (list: readonly Day[], rated: number, every = 1) => {
    const last = list.at(-1);
    return last && last.written > 0 ? ((last.day + every) * (rated / last.written)) / 365 : Infinity;
  };
  const wished = moves.flatMap((m, i) => (m.wish === null ? [] : [i]));
  if (!ranges) {
    found.ends = { full: point(inYears(full)), worn: tbw && point(wornAt(days, tbw.expected)), slow: wished.map((i) => ({ activity: moves[i]!.id, when: point(slowAt(days, i)) })) };
    return found;
  }
  const count = Math.ceil(SAMPLES / EVERY);
  const fulls = new Float64Array(count);
  const worns = new Float64Array(count);
  const slows = wished.map(() => new Float64Array(count));
  eachDraw(
    all,
    seed,
    (x, k) => {
      const at = k / EVERY;
      const lived = repeat(plans({ ...x }), kept(x), horizon, LOOK);
      fulls[at] = inYears(lived.full);
      worns[at] = tbw ? wornAt(lived.days, tbw.expected, LOOK) : Infinity;
      wished.forEach((i, w) => (slows[w]![at] = slowAt(lived.days, i)));
    },
    { every: EVERY },
  );
  found.ends = { full: summary(fulls), worn: tbw && summary(worns), slow: wished.map((i, w) => ({ activity: moves[i]!.id, when: summary(slows[w]!) })) };
  return found;
}

/** What all moves depend on, with how often each is made, and what is kept and grows. */
function combined(each: readonly Inputs[], kept: ReturnType<typeof keeping>, moves: readonly Move[]): Uncertain<string> & Pick<Together, 'of'> {
  const joined = together(each);
  const inputs: Record<string, Spread> = { ...joined.inputs };
  moves.forEach((m, i) => (inputs[`${i} times`] = fromFact('times a day', m.perDay, 'per day', { range: spread(0.2, 1, 2), note: 'now and then to twice a day' })!));
  inputs.fill ??= { low: 0, expected: 0, high: 0 };
  inputs.usable = USABLE;
  Object.assign(inputs, kept.inputs);
  return { ...joined, inputs };
}
