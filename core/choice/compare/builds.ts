import { type Build } from '../../build/assembly';
import { expectedOf } from '../../stats';
import {
  forecastOne,
  namedByThing,
  openedOver,
  timesOf,
  transferPath,
  type ActivityForecast,
  type Plan,
} from '../../forecast';
import type { Activity, Open } from '../../job';
import { compareLoads, felt, NOTICED } from '../../models/loads';
import { format } from '../../units';
import { curveOf, inWords, leads, type Curve, type Lead } from './curve';

export interface Compared {
  name: string;
  build: Build;
  /** Why nothing flows; empty when it does. */
  blocked: string[];
  forecast: ActivityForecast | null;
  /** Of a move, time over size at the inputs' middle, up to some times the activity's size. */
  curve: Curve | null;
}

export interface Pair {
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
  builds: Compared[];
  pairs: Pair[];
}

/** Sizes are looked at up to so many times the activity's own, where the drives hold as much. */
const REACH = 4;

/**
 * Holds two to four builds against each other on one of a job's activities. Of a move every size at which the lead changes, exactly, at the inputs' middle, and how likely
 * each is the quicker at the activity's own size: what builds have in common is drawn alike for all, what they do not apart. Of a load how much of the difference is felt.
 * @throws RangeError for fewer than two or more than four builds, or an activity the job has not
 */
export function compareBuilds(
  job: Plan,
  activityId: string,
  candidates: readonly { name: string; build: Build }[],
): Comparison {
  if (candidates.length < 2 || candidates.length > 4)
    throw new RangeError(
      `Two to four builds can be compared; there ${candidates.length === 1 ? 'is 1' : `are ${candidates.length}`}.`,
    );
  const activity = job.activities.find((a) => a.id === activityId);
  if (!activity) throw new RangeError(`"${activityId}" is no activity of this job.`);
  const builds = candidates.map(({ name, build }): Compared => {
    const { blocked } = transferPath(job.host, build, activity.endpoint);
    return {
      name,
      build,
      blocked,
      forecast: blocked.length > 0 ? null : forecastOne({ ...job, build }, activity),
      curve: null,
    };
  });
  const courses = builds.map((b) => b.forecast?.course?.inputs ?? null);
  // Not beyond what the smallest of them holds, yet as far as the activity goes.
  const sizes = courses.flatMap((inputs) => (inputs ? [expectedOf(inputs)] : []));
  const own = sizes[0]?.bytes ?? 0;
  const upTo = Math.max(own, Math.min(own * REACH, ...sizes.map((x) => x.capacity!)));
  courses.forEach((inputs, i) => {
    if (!inputs) return;
    const x = expectedOf(inputs);
    builds[i]!.curve = curveOf(inputs.plan({ ...x, bytes: upTo, files: (x.files! * upTo) / x.bytes! }));
  });
  const times = courses.map(
    (inputs, i) => inputs && timesOf(inputs, namedByThing(inputs, builds[i]!.build.drive.id)),
  );
  const pairs: Pair[] = [];
  for (let a = 0; a < builds.length; a++)
    for (let b = a + 1; b < builds.length; b++) {
      const [one, two] = [builds[a]!, builds[b]!];
      if (!one.forecast || !two.forecast) continue;
      const [mine, others] = [times[a], times[b]];
      if (one.curve && two.curve && mine && others) {
        const list = leads(one.curve, two.curve);
        const first =
          mine.reduce((sum, t, i) => sum + (t < others[i]! ? 1 : t === others[i] ? 0.5 : 0), 0) / mine.length;
        pairs.push({ a, b, leads: list, words: inWords(list, [one.name, two.name]), first });
      } else pairs.push({ a, b, leads: [], words: wordsOf(job, activity, one, two), first: null });
    }
  return { activity, own, upTo, builds, pairs };
}

/** s to a tenth: nobody feels less. */
const seconds = (s: number): string => format(s < 60 ? Math.round(s * 10) / 10 : s, 's');
const FELT = { yes: 'felt', no: 'not felt', unclear: 'at the edge of what is felt' };

/** What sets two builds apart on anything but a move. */
function wordsOf(job: Plan, activity: Activity, one: Compared, two: Compared): string {
  const [x, y] = [one.forecast!.figure, two.forecast!.figure];
  const overlap = x.low <= y.high && y.low <= x.high ? ' Their ranges overlap.' : '';
  const apart = format(Math.abs(x.expected - y.expected), x.unit, 2);
  const same = format(x.expected, x.unit, 3) === format(y.expected, y.unit, 3);
  switch (activity.kind) {
    case 'open': {
      const { low, expected, high } = difference(job, activity, one.build, two.build);
      const [sooner, from, to] = (expected >= 0 ? [one.name, low, high] : [two.name, -high, -low]) as [
        string,
        number,
        number,
      ];
      const answer = felt({ low, expected, high }, Math.max(x.expected, y.expected));
      const verdict = `${FELT[answer]} (above ${NOTICED.seconds} s and ${NOTICED.share * 100} %, common practice)`;
      if (Math.abs(expected) < 0.05)
        return `Opened as soon with either, give or take ${seconds(Math.max(-from, to))}: ${verdict}.`;
      return `Opened ${seconds(Math.abs(expected))} sooner with ${sooner} (${from < 0 ? `${seconds(-from)} later to ${seconds(to)} sooner` : `${seconds(from)} to ${seconds(to)}`}): ${verdict}.`;
    }
    case 'stream': {
      const stalls = ({ name, forecast }: Compared) =>
        `${name} in ${format(1 - forecast!.probability!, '%', 2)}`;
      return `Stalls: ${stalls(one)}, ${stalls(two)} of all cases.`;
    }
    case 'scratch':
      return same
        ? `Both wait ${format(x.expected, 's', 2)} a day.`
        : `${(x.expected < y.expected ? one : two).name} waits ${apart} a day less.${overlap}`;
    case 'keep':
      return same
        ? 'Both are full at the same time.'
        : `${(x.expected > y.expected ? one : two).name} is full ${apart} later.${overlap}`;
    case 'move':
      return '';
  }
}

/** s that the load takes longer on the second build. */
function difference({ host }: Plan, activity: Open, a: Build, b: Build) {
  return compareLoads(
    activity,
    openedOver({ host, build: a }, activity),
    openedOver({ host, build: b }, activity),
  );
}
