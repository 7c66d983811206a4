import {
  byMinute,
  drawn,
  LEAST,
  openIn,
  toldOf,
  type Draws,
  type Test,
  type Worth,
  caseOf,
} from '../../forecast';
import { isAsked } from '../../job';
import { SAMPLES } from '../../stats';
import type { Finalists } from './answer';
import type { Candidate } from './candidate';
import { isDemand } from './demands';
import { cheapestFirst } from './order';
import { placed } from './placed';
import type { Wanted } from './wanted';

/** Something to find out that may make another build the one to buy. */
interface Settling extends Pick<Worth, 'id' | 'minutes' | 'wear' | 'bytes' | 'changes'> {
  /** The activity it is asked about; null where it is of a place or a drive. */
  activity: string | null;
  /** A build whose drive is looked up; null where it tells of the work or the place. */
  of: Candidate | null;
  /** What is the one to buy most often then, and in what share of all cases; null: nothing that was looked at is sure. */
  instead: Candidate | null;
  share: number;
}

/** What would settle which build is the cheapest that is sure, the most for each minute first. */
export interface Settled {
  /** The one to buy as things are known now; null where none is sure. */
  now: Candidate | null;
  list: Settling[];
}

/** Cheaper builds whose ranges are looked at for it; of those and of the dearer ones that are sure, so many are drawn. */
const LOOKED = 40;
const CHEAPER = 8;
const DEARER = 3;
/** A build less probable than this, or a target missed by more than this factor, is not told sure by one answer. */
const HOPELESS = 0.1;
const FAR = 2;

/** The answer, the cheaper builds nearest to being sure, and the next dearer ones that are. What a demand rules out stays out. */
function contenders(
  candidates: readonly Candidate[],
  finalists: Finalists,
  { probability: sure }: Wanted,
): Candidate[] {
  const least = (one: Candidate) =>
    finalists.probabilities(one).reduce<number>((a, p) => Math.min(a, p ?? 1), 1);
  const seen = new Set<string>();
  const sorted = [...candidates].sort(cheapestFirst);
  const answer = finalists.first(sorted);
  const near = sorted.filter((one) => {
    const key = finalists.keyOf(one);
    const isNew = !seen.has(key);
    seen.add(key);
    return isNew && one.misses.every(({ activity, by }) => !isDemand(activity) && by <= FAR);
  });
  const at = answer === null ? near.length : near.findIndex((one) => cheapestFirst(one, answer) >= 0);
  const cheaper = near
    .slice(0, at < 0 ? near.length : at)
    .slice(-LOOKED)
    .filter((one) => least(one) >= HOPELESS && least(one) < sure)
    .sort((a, b) => least(b) - least(a))
    .slice(0, CHEAPER);
  const dearer: Candidate[] = [];
  for (const one of at < 0 ? [] : near.slice(at, at + LOOKED)) {
    if (dearer.length >= DEARER) break;
    if (one !== answer && least(one) >= sure) dearer.push(one);
  }
  return [...cheaper, ...(answer ? [answer] : []), ...dearer].sort(cheapestFirst);
}

/** One activity of a contender, draw by draw. */
interface Part {
  activity: string;
  place: number;
  draws: Draws;
  tests: readonly Test[];
}

/** All that a contender's targets depend on, but what takes the drive itself: it is not there yet. Yields between activities. */
function* partsOf(one: Candidate, wanted: Wanted): Generator<void, Part[]> {
  const parts: Part[] = [];
  for (const [place, open] of wanted.places.entries()) {
    const build = place === 0 ? one.build : { ...one.build, ...one.elsewhere[place - 1] };
    const situation = placed(wanted, open, build);
    for (const activity of open.activities.filter(isAsked)) {
      const found = openIn(caseOf(situation, activity.id));
      if (!found) continue;
      const tests = found.tests.filter((t) => !t.onDrive);
      parts.push({ activity: activity.id, place, tests, draws: drawn({ ...found, tests }) });
      yield;
    }
  }
  return parts;
}

/** What is found out by one test, whichever contenders it concerns. */
interface Question {
  test: Test;
  activity: string | null;
  of: Candidate | null;
  /** Whether it tells something of a part of a contender. */
  concerns(one: Candidate, part: Part): boolean;
}

/** Everything that could be found out, each once. */
function questionsOf(all: ReadonlyMap<Candidate, Part[]>): Question[] {
  const found = new Map<string, Question>();
  for (const [one, parts] of all)
    for (const { activity, place, tests } of parts)
      for (const test of tests) {
        const { id } = one.build.drive;
        const by: Record<Test['about'], [string | number, Question['concerns']]> = {
          activity: [activity, (_, part) => part.activity === activity],
          place: [place, (_, part) => part.place === place],
          drive: [id, (other) => other.build.drive.id === id],
        };
        const [key, concerns] = by[test.about];
        found.set(`${test.id}|${key}`, {
          test,
          concerns,
          activity: test.about === 'activity' ? activity : null,
          of: test.about === 'drive' ? one : null,
        });
      }
  return [...found.values()];
}

/** Of each draw: the cheapest contender all of whose targets are sure; its place among them, or -1. */
function decided(told: readonly (readonly Float64Array[])[], sure: number): Int16Array {
  return Int16Array.from({ length: SAMPLES }, (_, i) =>
    told.findIndex((parts) => parts.every((p) => p[i]! >= sure)),
  );
}

/**
 * What is worth finding out before one of the builds is bought: questions, data sheets and looks that make another the cheapest that meets every
 * target as probably as is asked. Each is held against the draws of the contenders' forecasts: what it would show in each, how probable every
 * target then is, and which build that makes the one to buy. Yields between contenders, so that other questions are answered meanwhile.
 */
export function* settles(
  candidates: readonly Candidate[],
  finalists: Finalists,
  wanted: Wanted,
): Generator<void, Settled> {
  const sure = wanted.probability;
  const list = contenders(candidates, finalists, wanted);
  const all = new Map<Candidate, Part[]>();
  for (const one of list) all.set(one, yield* partsOf(one, wanted));
  const steady = ({ draws }: Part) => new Float64Array(SAMPLES).fill(draws.now);
  const before = decided(
    list.map((one) => all.get(one)!.map(steady)),
    sure,
  )[0]!;
  const found: Settling[] = [];
  for (const { test, activity, of, concerns } of questionsOf(all)) {
    const told = list.map((one) =>
      all.get(one)!.map((part) => {
        const k = concerns(one, part) ? part.tests.findIndex(({ id }) => id === test.id) : -1;
        return k < 0 ? steady(part) : toldOf(part.draws, k);
      }),
    );
    const after = decided(told, sure).filter((at) => at !== before);
    const counts = new Map<number, number>();
    for (const at of after) counts.set(at, (counts.get(at) ?? 0) + 1);
    const [most] = [...counts].sort((a, b) => b[1] - a[1]);
    yield;
    if (!most || after.length / SAMPLES < LEAST) continue;
    const { id, minutes, wear, bytes } = test;
    found.push({
      ...{ id, minutes, wear, bytes, activity, of },
      changes: after.length / SAMPLES,
      instead: list[most[0]] ?? null,
      share: most[1] / SAMPLES,
    });
  }
  return { now: list[before] ?? null, list: found.sort(byMinute) };
}

/** {@link settles} in one go. */
export function settlesAll(...asked: Parameters<typeof settles>): Settled {
  const going = settles(...asked);
  for (;;) {
    const step = going.next();
    if (step.done) return step.value;
  }
}
