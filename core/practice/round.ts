import { demoJobs } from '../demo';
import { CAUSES, logsOf, lookedAt, LOOKS, pairOf, singles, type Hypothesis, type Look } from '../diagnosis';
import { caseOf, pathOf, situationAt, type Case } from '../forecast';
import { isMove, placesOf } from '../job';
import { gaussian, noise } from '../stats';
import { levelOf, type Level } from './level';

/** A rig with a hidden fault or none: the same level and seed hide the same. */
export interface Round {
  level: Level;
  seed: number;
  /** What is done with it, on one machine with one device. */
  cases: readonly Case[];
  cause: Hypothesis | null;
  /** Which unit it is, among those a forecast draws. */
  unit: number;
}

/** Something that was timed or looked at: an activity, and what was done differently. */
export interface PracticeStep {
  /** Which of the round's cases. */
  activity: number;
  /** By id; null: timed as it is built. */
  look: string | null;
}

/** What a step gave. */
export interface Result extends PracticeStep {
  /** s; null of a look. */
  seconds: number | null;
  seen: string | null;
  /** min it took. */
  minutes: number;
}

/** Scatter of a run, one sigma as a share [memory]. */
const SCATTER = 0.015;
/** min to set up a timed run [practice]. */
const SET_UP = 1;
/** Draws of a unit, of which one is the true one. */
const UNITS = 40;
const EVERY = 25;

let known: (readonly Case[])[] | null = null;

/** Rigs there are: each place of the demo's jobs where data is moved. */
function benches(): (readonly Case[])[] {
  known ??= demoJobs().flatMap((job) =>
    placesOf(job).flatMap((place) => {
      const situation = situationAt(job, place);
      if (!situation || pathOf(situation).blocked.length > 0) return [];
      const cases = situation.activities
        .filter((a) => isMove(a) && a.endpoint === undefined)
        .map((a) => caseOf(situation, a.id));
      return cases.length > 0 ? [cases] : [];
    }),
  );
  return known;
}

/** Logarithm of the s that the round's own unit takes; null where nothing flows. */
const trueLog = (of: Case, unit: number): number | null =>
  logsOf(of, false, { every: EVERY })?.[unit] ?? null;

/** Whether a cause shows in some work by as much as the level asks. */
function shows(cases: readonly Case[], cause: Hypothesis, { level, unit }: Pick<Round, 'level' | 'unit'>) {
  return cases.some((of) => {
    const [with_, without] = [trueLog(lookedAt(undefined, cause, of), unit), trueLog(of, unit)];
    return with_ !== null && without !== null && Math.abs(with_ - without) > Math.log(1 + level.shows);
  });
}

/** A list in a random order: what weighs more tends to come first. */
const inOrder = <T>(list: readonly T[], weight: (item: T) => number, random: () => number): T[] =>
  list
    .map((item) => [-Math.log(1 - random()) / weight(item), item] as const)
    .sort(([a], [b]) => a - b)
    .map(([, item]) => item);

/** A round by its level and seed. @throws RangeError for a level there is not */
export function roundOf(id: number, seed: number): Round {
  const level = levelOf(id);
  const random = noise(seed * 7907 + id * 104_651 + 5);
  for (let i = 0; i < 4; i++) random();
  const order = inOrder(benches(), () => 1, random);
  const unit = Math.floor(random() * UNITS);
  const isSound = level.sound > 0 && random() < 1 / level.sound;
  const isTwo = level.two > 0 && random() < 1 / level.two;
  const sound: Round = { level, seed, cases: order[0]!, unit, cause: null };
  if (isSound) return sound;
  for (const cases of order) {
    const likely = inOrder(
      CAUSES.filter((c) => (level.sites?.includes(c.site) ?? true) && cases.some((of) => c.applies(of))),
      ({ prior }) => prior,
      random,
    );
    const showing = (list: readonly Hypothesis[]) => list.find((c) => shows(cases, c, { level, unit }));
    const one = showing(likely);
    if (!one) continue;
    const two = isTwo ? showing(likely.filter((c) => c.site !== one.site)) : undefined;
    return { level, seed, cases, unit, cause: two ? pairOf(one, two, 1) : one };
  }
  return sound;
}

/** What was timed before the round began. */
export const begun = ({ level, cases }: Round): PracticeStep[] =>
  cases.slice(0, level.all ? cases.length : 1).map((_, activity) => ({ activity, look: null }));

const lookOf = (id: string | null): Look | undefined => LOOKS.find((look) => look.id === id);

/** Everything that can be timed or looked at, as long as it was not done. */
export function possible({ cases }: Round, done: readonly PracticeStep[]): PracticeStep[] {
  const isDone = (step: PracticeStep) =>
    done.some((d) => d.activity === step.activity && d.look === step.look);
  const all = cases.flatMap((of, activity): PracticeStep[] => [
    { activity, look: null },
    ...LOOKS.filter((look) => look.applies(of) && (activity === 0 || !look.sees)).map(({ id }) => ({
      activity,
      look: id,
    })),
  ]);
  return all.filter((step) => !isDone(step));
}

/** What a step gives; the same step of the same round gives the same. */
export function resultOf(round: Round, step: PracticeStep): Result {
  const { cases, cause, unit, seed } = round;
  const of = cases[step.activity]!;
  const look = lookOf(step.look);
  const here = lookedAt(look, cause, of);
  if (look?.sees) return { ...step, seconds: null, seen: look.sees(here, []), minutes: look.extra ?? 1 };
  const log = trueLog(here, unit);
  const order = LOOKS.findIndex(({ id }) => id === step.look) + 1;
  const normal = gaussian(noise(seed * 31 + step.activity * 1009 + order * 9176 + 3));
  normal();
  const seconds = log === null ? null : Math.exp(log + SCATTER * normal());
  return {
    ...step,
    seconds,
    seen: seconds === null ? 'nothing flows' : null,
    minutes: SET_UP + (look?.extra ?? 0) + (seconds ?? 0) / 60,
  };
}

/** Ids of what is hidden: none, one, two. */
export const hiddenIn = ({ cause }: Round): string[] => singles(cause).map(({ id }) => id);
