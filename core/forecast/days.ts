import { eachDraw, expectedOf, SAMPLES, SEED, summary, type Spread, type Uncertain } from '../stats';
import { fillsIn, keeping, USABLE, usableOf } from '../models/copies';
import { repeat, type Day, type Kept, type Repeated } from '../models/days';
import { fromFact } from '../evidence';
import type { Activity, Move, Stream } from '../job';
import { holdsOf } from './array';
import { capacityOf, isLife, lifeOfJob, TIMES_UNKNOWN } from './job';
import { layoutOf, streamTask, taskOf, transferPath, type Plan } from './task';
import { inputsOf, type Inputs } from './inputs';
import { STREAM_UNKNOWN } from './market';
import { wanted } from './stream';
import { together, type Together } from './together';

/** What takes the drive for a while, again and again. */
type Repeating = Move | Stream;
const repeats = (activity: Activity): activity is Repeating =>
  activity.kind === 'move' || activity.kind === 'stream';

/** When something stops being as wished, in years from the first day; Infinity: not within the time looked at. */
export interface Ends {
  /** The drive is full. */
  full: Spread;
  /** Written as much as the rating says, by everything that writes; null where nothing does or there is no rating. */
  worn: Spread | null;
  /** An activity takes longer than wished, by its id. */
  slow: { activity: string; when: Spread }[];
}

export interface DaysForecast {
  /** Every day at the inputs' middle. */
  days: Day[];
  /** What is lived through, in the order of each day's figures. */
  activities: Repeating[];
  ends: Ends;
  /** Whether the cache is back each time an activity begins, at the inputs' middle. */
  recovers: boolean;
}

/** Draws that a range of dates is made of: each so many-th of the thousand. */
const EVERY = 16;
/** Days between two looks in the range of dates. */
const LOOK = 45;

/**
 * Lives through a job's moves and streams: each at its times a day, idle between, the drive filling as the kept data grows.
 * @param years how long to look ahead
 * @returns null while nothing is built, the path is blocked, or nothing is moved
 * @throws RangeError for years that are not positive
 */
export function repeatJob(
  job: Plan,
  { years, ranges = true, seed = SEED }: { years: number; ranges?: boolean; seed?: number },
): DaysForecast | null {
  if (!(years > 0)) throw new RangeError('Years to look ahead must be more than zero.');
  const { build, host } = job;
  const list = job.activities.filter(repeats);
  if (!build || list.length === 0) return null;
  const path = transferPath(host, build);
  if (path.blocked.length > 0) return null;
  const each = list.map((a) =>
    inputsOf(
      a.endpoint === undefined ? path : transferPath(host, build, a.endpoint),
      a.kind === 'move' ? taskOf(job, a) : streamTask(job, a),
    ),
  );
  const keeps = keeping(job.activities.filter((a) => a.kind === 'keep'));
  const all = combined(each, keeps, list);
  const holds = holdsOf(layoutOf(build), capacityOf(build));
  const capacity = holds.expected;
  const horizon = Math.round(years * 365);
  const kept = (x: Record<string, number>): Kept => ({
    capacity,
    fill: x.now === undefined ? x.fill! : keeps.now(x) / capacity,
    growth: keeps.growth(x),
    most: x.usable!,
  });
  const plans = (x: Record<string, number>): Repeated[] =>
    list.map((a, i) => {
      const numbers = all.of(x, i);
      const plan = (fill: number) => {
        numbers.fill = fill;
        const flows = each[i]!.plan(numbers);
        return a.kind === 'stream'
          ? [{ ...flows[0]!, files: 0, pace: wanted(numbers.bytes!, x[`${i} lasts`]!) }]
          : flows;
      };
      return { id: a.id, perDay: x[`${i} times`]!, plan };
    });
  const middle = expectedOf(all);
  const { days } = repeat(plans(middle), kept(middle), horizon);
  const found: DaysForecast = {
    days,
    activities: list,
    recovers: days.every((d) => d.ready.every((r) => r > 0.999)),
    ends: { full: { low: Infinity, expected: Infinity, high: Infinity }, worn: null, slow: [] },
  };
  const rated = lifeOfJob(job);
  const worn =
    rated && isLife(rated) && rated.fromNew
      ? { low: rated.fromNew.low, expected: rated.fromNew.expected, high: rated.fromNew.high }
      : null;
  const inYears = (day: number | null) => (day === null ? Infinity : day / 365);
  const point = (v: number): Spread => ({ low: v, expected: v, high: v });
  const full = fullWithin(
    years,
    fillsIn(
      usableOf(holds),
      job.activities.filter((a) => a.kind === 'keep'),
    ),
  );
  const slowAt = (lived: readonly Day[], i: number) =>
    inYears(lived.find((d) => d.seconds[i]! > list[i]!.wish!)?.day ?? null);
  // A stream lasts as long as it lasts: only moves have a wish.
  const wished = list.flatMap((a, i) => (a.kind === 'move' && a.wish !== null ? [i] : []));
  if (!ranges) {
    found.ends = {
      full,
      worn,
      slow: wished.map((i) => ({ activity: list[i]!.id, when: point(slowAt(days, i)) })),
    };
    return found;
  }
  const count = Math.ceil(SAMPLES / EVERY);
  const slows = wished.map(() => new Float64Array(count));
  eachDraw(
    all,
    seed,
    (x, k) => {
      const at = k / EVERY;
      const lived = repeat(plans({ ...x }), kept(x), horizon, LOOK);
      wished.forEach((i, w) => (slows[w]![at] = slowAt(lived.days, i)));
    },
    { every: EVERY },
  );
  found.ends = {
    full,
    worn,
    slow: wished.map((i, w) => ({ activity: list[i]!.id, when: summary(slows[w]!) })),
  };
  return found;
}

/** Beyond the years looked at is never. */
function fullWithin(years: number, { low, expected, high }: Spread): Spread {
  const within = (at: number) => (at > years ? Infinity : at);
  return { low: within(low), expected: within(expected), high: within(high) };
}

/** What all of them depend on, with how often each is made, and what is kept and grows. */
function combined(
  each: readonly Inputs[],
  kept: ReturnType<typeof keeping>,
  list: readonly Repeating[],
): Uncertain<string> & Pick<Together, 'of'> {
  const joined = together(each);
  const inputs: Record<string, Spread> = { ...joined.inputs };
  list.forEach((a, i) => {
    inputs[`${i} times`] = fromFact('times a day', a.perDay, 'per day', TIMES_UNKNOWN)!;
    if (a.kind === 'stream') inputs[`${i} lasts`] = fromFact('lasts', a.lasts, 's', STREAM_UNKNOWN.lasts)!;
  });
  inputs.fill ??= { low: 0, expected: 0, high: 0 };
  inputs.usable = USABLE;
  Object.assign(inputs, kept.inputs);
  return { ...joined, inputs };
}
