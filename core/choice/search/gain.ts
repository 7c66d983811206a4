import { traitsOf } from '../../job';
import { format, moneyWords } from '../../units';
import type { Candidate } from './candidate';
import { activitiesOf, type Wanted } from './wanted';

/*
 * What one build gains on another, place by place, as somebody who waits feels it.
 */

/** Less than this nobody feels: s each time, and as a share of what it takes [common practice, no source]. */
const FELT = { seconds: 2, share: 0.05 };

/** What one build gains on another each time an activity is done at a place. */
interface Gain {
  host: string;
  activity: string;
  /** s sooner; below 0: later. */
  seconds: number;
  isFelt: boolean;
}

const felt = (seconds: number, of: number): boolean =>
  Math.abs(seconds) >= FELT.seconds && Math.abs(seconds) >= FELT.share * of;

type Figures = Pick<Candidate, 'figures'>;

/** Of each activity that takes a time, at each place: what the one gains on the other. */
export function gainsOn(one: Figures, base: Figures, { places }: Pick<Wanted, 'places'>): Gain[] {
  let at = 0;
  return places.flatMap(({ host, activities }) =>
    activities.flatMap((activity): Gain[] => {
      const [here, there] = [one.figures[at], base.figures[at]];
      at++;
      if (traitsOf(activity).answer !== 'time' || here == null || there == null) return [];
      const seconds = there - here;
      return [{ host: host.name, activity: activity.name, seconds, isFelt: felt(seconds, there) }];
    }),
  );
}

const sooner = ({ activity, seconds }: Gain): string =>
  `“${activity}” is done ${format(Math.abs(seconds), 's')} ${seconds > 0 ? 'sooner' : 'later'}`;

/** What sets two builds apart for who waits, in words, each machine by itself where there are several; null where nothing takes a time. */
export function apartWords(one: Figures, base: Figures, wanted: Pick<Wanted, 'places'>): string | null {
  const gains = gainsOn(one, base, wanted);
  if (gains.length === 0) return null;
  const most = (list: readonly Gain[]) =>
    [...list].filter(({ isFelt }) => isFelt).sort((a, b) => Math.abs(b.seconds) - Math.abs(a.seconds))[0];
  const hosts = [...new Set(gains.map(({ host }) => host))];
  const first = most(gains);
  if (!first) return 'nobody feels a difference';
  if (hosts.length === 1) return sooner(first);
  return hosts
    .map((host) => {
      const own = most(gains.filter((gain) => gain.host === host));
      return own ? `on ${host} ${sooner(own)}` : `on ${host} nobody feels a difference`;
    })
    .join('; ');
}

/** What a build costs beside another, and what is felt of that, in a sentence. @param than what the other is called */
export function buysWords(
  one: Pick<Candidate, 'figures' | 'cost'>,
  base: Pick<Candidate, 'figures' | 'cost'>,
  wanted: Wanted,
  than: string,
): string {
  const extra =
    one.cost === null || base.cost === null ? null : Math.round((one.cost - base.cost) * 100) / 100;
  const money =
    extra === null
      ? `What it costs beside ${than} is not known`
      : extra === 0
        ? `Costs as much as ${than}`
        : `${moneyWords(Math.abs(extra), wanted.currency)} ${extra > 0 ? 'more' : 'less'} than ${than}`;
  const apart = apartWords(one, base, wanted);
  return `${money}${apart === null ? '' : `: ${apart}`}.`;
}

/**
 * That nothing is to be gained by buying, where that is so: what is there already misses no more and nobody feels a difference, or today's times are
 * as good. Null where something is, or nothing is known to compare with.
 * @param first what would be bought
 */
export function nothingToGain(
  first: Candidate | null,
  candidates: readonly Candidate[],
  wanted: Wanted,
): string | null {
  if (!first?.cost) return null;
  const money = moneyWords(first.cost, wanted.currency);
  const there = candidates
    .filter(({ cost, misses }) => cost === 0 && misses.length <= first.misses.length)
    .find((one) => {
      const gains = gainsOn(first, one, wanted);
      return gains.length > 0 && gains.every(({ isFelt, seconds }) => !isFelt || seconds < 0);
    });
  if (there) {
    const most = Math.max(0, ...gainsOn(first, there, wanted).map(({ seconds }) => seconds));
    return `Nothing to gain: what is already there is at most ${format(most, 's')} slower each time, and ${money} would be spent on that.`;
  }
  const work = activitiesOf(wanted);
  const times = work.flatMap(({ name, today }, i) => {
    const figure = first.figures[i];
    if (traitsOf(work[i]!).answer !== 'time') return [];
    return [{ name, today, gain: today === undefined || figure == null ? null : today - figure }];
  });
  const isNone = times.every(({ today, gain }) => gain !== null && (gain < 0 || !felt(gain, today!)));
  if (times.length === 0 || !isNone) return null;
  const [most] = [...times].sort((a, b) => b.gain! - a.gain!);
  return (
    `Nothing to gain: “${most!.name}” takes ${format(most!.today!, 's')} today, and ` +
    `${format(most!.today! - most!.gain!, 's')} with what ${money} would buy.`
  );
}
