import { expectedOf } from '../../stats';
import { type Build, blockWords } from '../../assembly';
import { builtAs, caseOf, forecast, kindOf, namedByThing, pathFor, timesOf } from '../../forecast';
import type { Answer, Case, Situation } from '../../forecast';
import type { Activity } from '../../job';
import { curveOf, inWords, leads, type Curve, type Lead } from './curve';

interface ComparedBuild {
  name: string;
  build: Build;
  /** Why nothing flows; empty when it does. */
  blocked: string[];
  forecast: Answer | null;
  /** Of a move, time over size at the inputs' middle, up to some times the activity's size. */
  curve: Curve | null;
}

interface Pair {
  a: number;
  b: number;
  /** Of a move, who is ahead from which size on. */
  leads: Lead[];
  words: string;
  /** Of a move, probability that the first is the quicker at the activity's own size. */
  first: number | null;
}

export interface Comparison {
  activity: Activity;
  /** Of a move, its own size in B, and up to which the curves go. */
  own: number;
  upTo: number;
  builds: ComparedBuild[];
  pairs: Pair[];
}

/** Sizes are looked at up to so many times the activity's own, where the drives hold as much. */
const REACH = 4;

/** A build on the job's machine with its answer. */
type Held = ComparedBuild & { of: Case };

function hold(situation: Situation, activity: string, name: string, build: Build): Held {
  const of = caseOf(builtAs(build)(situation), activity);
  const path = pathFor(of);
  const flows = path.blocked.length === 0;
  return {
    name,
    build,
    of,
    blocked: path.blocked.map(blockWords),
    forecast: flows ? forecast(of, path) : null,
    curve: null,
  };
}

/** Probability that the first is the quicker; draws that are alike count half. */
const quicker = (mine: Float64Array, others: Float64Array): number =>
  mine.reduce((sum, t, i) => sum + (t < others[i]! ? 1 : t === others[i] ? 0.5 : 0), 0) / mine.length;

/**
 * Holds two to four builds against each other on one of the situation's activities. Of a move every size at which
 * the lead changes, exactly, at the inputs' middle, and
 * how likely each is the quicker at the activity's own size: what builds have in common is drawn alike for all, what
 * they do not apart. Of a load how much of the
 * difference is felt.
 * @throws RangeError for fewer than two or more than four builds, or an activity the situation has not
 */
export function compareBuilds(
  situation: Situation,
  activityId: string,
  candidates: readonly { name: string; build: Build }[],
): Comparison {
  const count = candidates.length;
  if (count < 2 || count > 4)
    throw new RangeError(
      `Two to four builds can be compared; there ${count === 1 ? 'is 1' : `are ${count}`}.`,
    );
  const { activity } = caseOf(situation, activityId);
  const held = candidates.map(({ name, build }) => hold(situation, activityId, name, build));
  const courses = held.map((b) => b.forecast?.course?.inputs ?? null);
  // Not beyond what the smallest of them holds, yet as far as the activity goes.
  const sizes = courses.flatMap((inputs) => (inputs ? [expectedOf(inputs).x] : []));
  const own = sizes[0]?.bytes ?? 0;
  const upTo = Math.max(own, Math.min(own * REACH, ...sizes.map((x) => x.capacity!)));
  courses.forEach((inputs, i) => {
    if (!inputs) return;
    const { x, chosen } = expectedOf(inputs);
    const larger = { ...x, bytes: upTo, files: (x.files! * upTo) / x.bytes! };
    held[i]!.curve = curveOf(inputs.plan(larger, chosen));
  });
  const times = courses.map(
    (inputs, i) => inputs && timesOf(inputs, namedByThing(inputs, held[i]!.build.drive.id)),
  );
  const pairs: Pair[] = [];
  for (let a = 0; a < held.length; a++)
    for (let b = a + 1; b < held.length; b++) {
      const found = pairOf(a, b, held, times);
      if (found) pairs.push(found);
    }
  return { activity, own, upTo, builds: held.map(({ of: _, ...compared }) => compared), pairs };
}

/** What sets two of them apart; null where one of them is blocked. */
function pairOf(
  a: number,
  b: number,
  held: readonly Held[],
  times: readonly (Float64Array | null)[],
): Pair | null {
  const [one, two] = [held[a]!, held[b]!];
  if (!one.forecast || !two.forecast) return null;
  const [mine, others] = [times[a], times[b]];
  if (one.curve && two.curve && mine && others) {
    const list = leads(one.curve, two.curve);
    const words = inWords(list, [one.name, two.name]);
    return { a, b, leads: list, words, first: quicker(mine, others) };
  }
  const answered = ({ name, of, forecast: answer }: Held) => ({ name, of, answer: answer! });
  const words = kindOf(one.of.activity).apart?.(answered(one), answered(two)) ?? '';
  return { a, b, leads: [], words, first: null };
}
