import type { Build } from '../bench';
import { expectedOf } from '../evidence';
import { forecastTransfer, taskOf, transferPath, type Plan, type TransferForecast } from '../forecast';
import { isMove, type Move } from '../job';
import { curveOf, inWords, leads, type Curve, type Lead } from './curve';

export interface Compared {
  name: string;
  build: Build;
  /** Why nothing flows; empty when it does. */
  blocked: string[];
  forecast: TransferForecast | null;
  /** Time over size at the inputs' middle, up to some times the activity's size. */
  curve: Curve | null;
  /** Probability that the wish is met; null without a wish. */
  probability: number | null;
}

export interface Pair {
  a: number;
  b: number;
  leads: Lead[];
  words: string;
  /** Probability that the first is the quicker at the activity's own size. */
  first: number;
}

export interface Comparison {
  activity: Move;
  /** B up to which the curves go. */
  upTo: number;
  builds: Compared[];
  pairs: Pair[];
}

/** Sizes are looked at up to so many times the activity's own. */
const REACH = 4;

/**
 * Holds two to four builds against each other on one of a job's moves: every size at which the lead changes, exactly, at the inputs' middle, and how likely each is the
 * quicker at the activity's own size. Draws of one input are the same for all, so that what they have in common does not count as a difference.
 * @throws RangeError for fewer than two or more than four builds, or an activity that is no move
 */
export function compareBuilds(job: Plan, activityId: string, candidates: readonly { name: string; build: Build }[]): Comparison {
  if (candidates.length < 2 || candidates.length > 4) throw new RangeError(`Two to four builds can be compared; there ${candidates.length === 1 ? 'is 1' : `are ${candidates.length}`}.`);
  const activity = job.activities.find((a) => a.id === activityId);
  if (!activity || !isMove(activity)) throw new RangeError(`"${activityId}" is no move of this job: only moves are compared.`);
  let upTo = 0;
  const builds = candidates.map(({ name, build }): Compared => {
    const path = transferPath(job.host, build, activity.endpoint);
    if (path.blocked.length > 0) return { name, build, blocked: path.blocked, forecast: null, curve: null, probability: null };
    const forecast = forecastTransfer(path, taskOf({ ...job, build }, activity));
    const x = expectedOf(forecast.inputs);
    upTo = x.bytes! * REACH;
    const [flow] = forecast.inputs.plan({ ...x, bytes: upTo, files: x.files! * REACH });
    return { name, build, blocked: [], forecast, curve: curveOf(flow!), probability: activity.wish === null ? null : forecast.chance(activity.wish) };
  });
  const pairs: Pair[] = [];
  for (let a = 0; a < builds.length; a++)
    for (let b = a + 1; b < builds.length; b++) {
      const [one, two] = [builds[a]!, builds[b]!];
      if (!one.curve || !two.curve) continue;
      const list = leads(one.curve, two.curve);
      const times = two.forecast!.times;
      const first = one.forecast!.times.reduce((sum, t, i) => sum + (t < times[i]! ? 1 : t === times[i] ? 0.5 : 0), 0) / times.length;
      pairs.push({ a, b, leads: list, words: inWords(list, [one.name, two.name]), first });
    }
  return { activity, upTo, builds, pairs };
}
