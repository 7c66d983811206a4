import { middle } from '../evidence';
import { nameOf } from '../catalog/parts';
import { isLoad, madeAt, type Job } from '../job';
import { noticeable, type IsFelt as Noticed } from '../models';
import type { Spread } from '../stats';
import type { Claim } from '../verdict';

/** Where a load was timed, by what may make the difference. */
interface Where {
  host: string;
  drive: string;
  bridge: string | null;
}

/** A load timed at two places: whether a person notices the difference, and what it is down to. */
export interface LoadDifference {
  activity: string;
  quicker: Where & { time: Spread };
  slower: Where & { time: Spread };
  noticed: Noticed;
  /** What differs between the two: one thing, or several so that nobody can tell which. */
  differs: 'drive' | 'bridge' | 'machine' | 'several' | 'nothing';
  /** Share of the quicker time that host and program take by themselves; null where nobody knows. */
  processing: number | null;
}

const whereOf = (job: Job, { measured }: Claim): Where | null => {
  const made = madeAt(job, measured!.runs[0]!);
  if (!made?.build) return null;
  const { drive, bridge } = made.build;
  return { host: made.host.name, drive: nameOf(drive), bridge: bridge ? nameOf(bridge) : null };
};

function differing(a: Where, b: Where): LoadDifference['differs'] {
  const found = (['drive', 'bridge', 'host'] as const).filter((key) => a[key] !== b[key]);
  if (found.length === 0) return 'nothing';
  if (found.length > 1) return 'several';
  return found[0] === 'host' ? 'machine' : found[0]!;
}

/** Loads that were timed at more than one place, each with the next slower one: which of them a person tells apart at all. */
export function compareLoadTimes(job: Job, claims: readonly Claim[]): LoadDifference[] {
  return job.activities.filter(isLoad).flatMap((activity) => {
    const timed = claims
      .filter((c) => c.activity?.id === activity.id && !c.simulated && c.measured?.time)
      .flatMap((c) => {
        const [where, time] = [whereOf(job, c), c.measured!.time!];
        return where && !c.measured!.scattered && time.low > 0 && Number.isFinite(time.high)
          ? [{ ...where, time }]
          : [];
      })
      .sort((a, b) => a.time.expected - b.time.expected);
    const own = middle(activity.processing);
    return timed.slice(1).map((slower, i): LoadDifference => {
      const quicker = timed[i]!;
      return {
        activity: activity.name,
        quicker,
        slower,
        noticed: noticeable(quicker.time, slower.time),
        differs: differing(quicker, slower),
        processing: own === null ? null : Math.min(1, own / quicker.time.expected),
      };
    });
  });
}
