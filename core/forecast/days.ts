import { YEAR_DAYS } from '../units';
import { eachDraw, exactly, expectedOf, SAMPLES, SEED, about, type Drawn, type Spread } from '../stats';
import { recordersFor, type Fact } from '../evidence';
import { assumedRange, marketOf } from '../catalog/assumptions';
import {
  fillsIn,
  keeping,
  usableOf,
  type Keeping,
  repeat,
  type Day,
  type Kept,
  type Repeated,
} from '../models';
import { inputsFor } from './kinds/shared';
import { kindOf } from './kinds/registry';
import { heldBy, heldIfAdding, saysKept, stands, traitsOf, type Activity } from '../job';
import { pathFor } from './answer';
import { holdsOf } from './array';
import { caseOf, pathOf, type Situation } from './case';
import { isLife, lifeOf } from './wear';
import { together } from './together';

/** When something stops being as wanted, in years from the first day; Infinity: not within the time looked at. */
export interface Ends {
  /** The drive is full. */
  full: Spread;
  /** The same, if each copy of which nobody said it adds to the last; null where all is said. */
  fullIfAdding: Spread | null;
  /** Written as much as the rating says, by everything that writes; null where nothing does or there is no rating. */
  worn: Spread | null;
  /** An activity takes longer than its target, by its id. */
  slow: { activity: string; when: Spread }[];
}

export interface DaysForecast {
  /** Every day at the inputs' middle. */
  days: Day[];
  /** What is lived through, in the order of each day's figures. */
  activities: Activity[];
  ends: Ends;
  /** Whether the cache is back each time an activity begins, at the inputs' middle. */
  recovers: boolean;
}

/** Draws that a range of dates is made of: each so many-th of the thousand. */
const EVERY = 16;
/** Days between two looks in the range of dates. */
const LOOK = 45;

/** What takes the device for a while, again and again. */
const repeats = (activity: Activity): boolean => kindOf(activity).daily !== undefined;

/** All that a device does, here and on other machines. */
const everywhere = ({ activities, elsewhere = [] }: Situation): readonly Activity[] => [
  ...activities,
  ...elsewhere,
];

/** What is lived through: what it depends on, and how a draw of it becomes days. */
interface Life {
  inputs: Record<string, Spread>;
  choices: ReturnType<typeof together>['choices'];
  plans(drawn: Drawn<string>): Repeated[];
  kept(x: Readonly<Record<string, number>>): Kept;
}

function lifeFrom(situation: Situation, list: readonly Activity[]): Life {
  const record = recordersFor(situation.shopRanges).explaining;
  const each = list.map((activity) => {
    const of = caseOf(situation, activity.id);
    return inputsFor(record, of, pathFor(of), kindOf(activity).transfer(activity, situation)!);
  });
  const all = everywhere(situation);
  const keeps = keeping(record, heldBy(all));
  // Where neither a fill nor all that stays is said, it is as full as drives are.
  const { fill } = situation.needs;
  const goesByFill = !saysKept(all) && (fill !== undefined || heldIfAdding(all) !== null);
  const joined = together(record, each);
  const inputs: Record<string, Spread> = { ...joined.inputs };
  const own = list.map((activity) => kindOf(activity).daily!.inputs(record, activity));
  list.forEach(({ perDay }, i) => {
    inputs[`${i} times`] = record.fact('times a day', perDay, 'per day', marketOf(record, 'work.times'));
    for (const [id, figure] of Object.entries(own[i]!)) inputs[`${i} ${id}`] = figure;
  });
  inputs.fill = record.fact('fill of the drive', fill, '%', marketOf(record, 'fill'));
  inputs.usable = assumedRange('usable', situation.shopRanges);
  Object.assign(inputs, keeps.inputs);
  const capacity = holdsOf(record, situation.build).expected;

  const numbersOf = (x: Readonly<Record<string, number>>, i: number) => {
    const numbers = joined.of(x, i);
    for (const id of Object.keys(own[i]!)) numbers[id] = x[`${i} ${id}`]!;
    return numbers;
  };
  return {
    inputs,
    choices: joined.choices,
    plans: ({ x, chosen }) =>
      list.map((activity, i) => {
        const numbers = numbersOf(x, i);
        // What it brought the last time goes as it comes again.
        const own = goesByFill || !stands(activity, all) ? 0 : numbers.bytes! / capacity;
        const plan = (fill: number) => {
          numbers.fill = Math.max(0, fill - own);
          return kindOf(activity).daily!.flows(each[i]!.plan(numbers, chosen), numbers);
        };
        return { id: activity.id, perDay: x[`${i} times`]!, plan };
      }),
    kept: (x) => ({
      capacity,
      fill: goesByFill ? x.fill! : keeps.now(x) / capacity,
      growth: keeps.growth(x),
      most: x.usable!,
    }),
  };
}

/**
 * Lives through the work: each activity at its times a day, idle between, the drive filling as the kept data grows.
 * @param years how long to look ahead
 * @returns null where the path is blocked, or nothing takes the device for a while
 * @throws RangeError for years that are not positive
 */
export function forecastDays(
  situation: Situation,
  { years, ranges = true, seed = SEED }: { years: number; ranges?: boolean; seed?: number },
): DaysForecast | null {
  if (!(years > 0)) throw new RangeError('Years to look ahead must be more than zero.');
  const list = situation.activities.filter(repeats);
  if (list.length === 0 || pathOf(situation).blocked.length > 0) return null;
  const life = lifeFrom(situation, list);
  const horizon = Math.round(years * YEAR_DAYS);
  const middle = expectedOf(life);
  const { days } = repeat(life.plans(middle), life.kept(middle.x), horizon);

  const slowAt = (lived: readonly Day[], i: number): number => {
    const first = lived.find((d) => d.seconds[i]! > list[i]!.target!);
    return first ? first.day / YEAR_DAYS : Infinity;
  };
  // What must not stall lasts as long as it lasts.
  const targeted = list.flatMap((a, i) => (traitsOf(a).answer === 'time' && a.target !== null ? [i] : []));
  const slowRanges = (): Spread[] => {
    const slows = targeted.map(() => new Float64Array(Math.ceil(SAMPLES / EVERY)));
    const visit = ({ x, chosen }: Drawn<string>, k: number) => {
      const { days: lived } = repeat(
        life.plans({ x: { ...x }, chosen: { ...chosen } }),
        life.kept(x),
        horizon,
        LOOK,
      );
      targeted.forEach((i, w) => (slows[w]![k / EVERY] = slowAt(lived, i)));
    };
    eachDraw(life, seed, visit, { every: EVERY });
    return slows.map((found, w) => about(slowAt(days, targeted[w]!), found));
  };
  const adding = heldIfAdding(everywhere(situation));
  const when = ranges ? slowRanges() : targeted.map((i) => exactly(slowAt(days, i)));
  return {
    days,
    activities: list,
    recovers: days.every((d) => d.ready.every((r) => r > 0.999)),
    ends: {
      full: fullWithin(years, fullIn(situation, heldBy(everywhere(situation)))),
      fullIfAdding: adding && fullWithin(years, fullIn(situation, adding)),
      worn: wornIn(situation),
      slow: targeted.map((i, w) => ({ activity: list[i]!.id, when: when[w]! })),
    },
  };
}

/** Years until the device is full of what it holds; where nothing is said to be kept, of what is said to be in use. */
function fullIn(
  { build, shopRanges, needs, activities, elsewhere = [] }: Situation,
  held: readonly Keeping[],
): Spread {
  const { bare } = recordersFor(shopRanges);
  const holds = holdsOf(bare, build);
  const isKept = saysKept([...activities, ...elsewhere]);
  const inUse =
    !isKept && needs.fill ? [{ name: 'in use', now: timesFact(needs.fill, holds.expected) }] : null;
  const growing = held.map(({ name, growth, brought }) => ({
    name,
    ...(growth && { growth }),
    ...(brought && { brought }),
  }));
  return fillsIn(bare, usableOf(bare, holds), inUse ? [...inUse, ...growing] : held);
}

const timesFact = ({ value, source }: Fact, factor: number): Fact => ({
  value:
    value === null
      ? null
      : Array.isArray(value)
        ? [value[0] * factor, value[1] * factor, value[2] * factor]
        : value * factor,
  source,
});

/** Years until the rating is written up; null where nothing writes or there is no rating. */
function wornIn(situation: Situation): Spread | null {
  const life = lifeOf(situation);
  if (!life || !isLife(life) || !life.fromNew) return null;
  const { low, expected, high, median } = life.fromNew;
  return { low, expected, high, ...(median === undefined ? {} : { median }) };
}

/** Beyond the years looked at is never. */
function fullWithin(years: number, { low, expected, high, median }: Spread): Spread {
  const within = (at: number) => (at > years ? Infinity : at);
  const found = { low: within(low), expected: within(expected), high: within(high) };
  return median === undefined ? found : { ...found, median: within(median) };
}
