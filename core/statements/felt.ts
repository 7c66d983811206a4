import { nameOf } from '../catalog/parts';
import { isLoad, madeAt, type Job, type Run } from '../job';
import { noticeable, type IsFelt as Noticed } from '../models';
import type { Spread } from '../stats';
import { format, moneyWords, pricePer } from '../units';
import type { Claim } from '../verdict';
import { naming, say, type Said } from './statement';

/** Where a load was timed, by what may make the difference. */
interface Where {
  host: string;
  drive: string;
  bridge: string | null;
  /** What its device cost when it was chosen; null where no choice is on record. */
  paid: { amount: number; currency: string | null } | null;
}

/** A load timed at two places: whether a person notices the difference, and what it is down to. */
export interface LoadDifference {
  activity: string;
  quicker: Where & { time: Spread };
  slower: Where & { time: Spread };
  noticed: Noticed;
  /** What differs between the two: one thing, or several so that nobody can tell which. */
  differs: 'drive' | 'bridge' | 'machine' | 'several' | 'nothing';
}

const whereOf = (job: Job, { measured }: Claim): Where | null => {
  const [run] = measured!.runs;
  const made = madeAt(job, run!);
  if (!made?.build) return null;
  const { drive, bridge } = made.build;
  return {
    host: made.host.name,
    drive: nameOf(drive),
    bridge: bridge ? nameOf(bridge) : null,
    paid: paidFor(job, run!),
  };
};

/** What the device of a run cost, by the newest choice on record. */
function paidFor({ choices = [] }: Job, { path }: Run): Where['paid'] {
  const device = path && 'device' in path ? path.device : null;
  const record = choices.findLast((one) => one.device === device && one.taken.cost !== null);
  return record ? { amount: record.taken.cost!, currency: record.currency } : null;
}

/** What the quicker one costs more, and for each second; null where that is not known or it does not. */
function priceOf({ quicker, slower }: LoadDifference): string | null {
  const [more, less] = [quicker.paid, slower.paid];
  if (!more || !less || more.currency !== less.currency || more.amount <= less.amount) return null;
  const extra = Math.round((more.amount - less.amount) * 100) / 100;
  const gained = slower.time.expected - quicker.time.expected;
  return ` The quicker cost ${moneyWords(extra, more.currency)} more, ${pricePer(extra, gained, more.currency)}.`;
}

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
      .filter(
        (c) =>
          c.activity?.id === activity.id &&
          !c.simulated &&
          c.measured?.time &&
          !c.measured.runs[0]!.conditions.look,
      )
      .flatMap((c) => {
        const [where, time] = [whereOf(job, c), c.measured!.time!];
        return where && !c.measured!.scattered && time.low > 0 && Number.isFinite(time.high)
          ? [{ ...where, time }]
          : [];
      })
      .sort((a, b) => a.time.expected - b.time.expected);
    return timed.slice(1).map((slower, i): LoadDifference => {
      const quicker = timed[i]!;
      return {
        activity: activity.name,
        quicker,
        slower,
        noticed: noticeable(quicker.time, slower.time),
        differs: differing(quicker, slower),
      };
    });
  });
}

const BY: Record<LoadDifference['differs'], string> = {
  drive: ' The drive makes it: enclosure and machine are the same.',
  bridge: ' The enclosure’s bridge makes it: drive and machine are the same.',
  machine: ' The machine makes it: drive and enclosure are the same.',
  several: ' More than one thing differs: which of them makes it, these times cannot tell.',
  nothing: ' Nothing of the parts differs: look at what else did.',
};
const NOTICED = {
  yes: 'a difference a person notices.',
  no: 'no difference to a person.',
  unclear: 'too close to call.',
};
const partsOf = ({ drive, bridge, host }: Where): string =>
  `${drive}${bridge ? ` in ${bridge}` : ''} on ${host}`;

/** Two places apart for a person or not, and what makes the difference. @param i which of the job's differences */
export function feltSaid(of: LoadDifference, i: number): Said<'noticed' | 'by'> {
  const { activity, quicker, slower, noticed, differs } = of;
  const times = `${format(quicker.time.expected, 's')} and ${format(slower.time.expected, 's')}`;
  return say('judged', naming('felt', String(i)), {
    noticed: `${activity}: ${times}, ${NOTICED[noticed]}`,
    by: `${partsOf(quicker)}, against ${partsOf(slower)}.${noticed === 'yes' ? BY[differs] : ''}${priceOf(of) ?? ''}`,
  });
}
