import type { Direction } from '../catalog/links';
import type { Finding } from '../fit';
import { shopWork, type ListedStep } from '../fitting';
import type { Situation } from '../forecast';
import type { Place } from '../job';
import { format, moneyWords } from '../units';
import { placeId } from './flow';
import { naming, say, type Said } from './statement';

/** What a rule found on a path, why, and what to do. */
export const findingSaid = (
  place: Place,
  { id, title, reason, fix }: Pick<Finding, 'id' | 'title' | 'reason' | 'fix'>,
  direction: Direction,
): Said<'title' | 'reason' | 'fix'> =>
  say('judged', naming('finding', id, placeId(place), direction), { title, reason, fix });

/** A step of setting up: what is done, how, and what to mind. */
export const stepSaid = (
  place: Place,
  { id, title, how, caution }: Pick<ListedStep, 'id' | 'title' | 'how' | 'caution'>,
): Said<'title' | 'how' | 'caution'> =>
  say('planned', naming('step', id, placeId(place)), { title, how, caution: caution ?? null });

/** How many steps are behind. */
export const stepsSaid = (place: Place, done: number, all: number): Said<'done'> =>
  say('planned', naming('steps', placeId(place)), { done: `${done} of ${all} done or left out.` });

/** What the shop's own work is priced by. */
interface WorkTerms {
  /** What an hour of it costs; absent or 0: nobody said. */
  shopHour?: number | undefined;
  /** So many alike are set up; absent: one. */
  pieces?: number | undefined;
}

/** The shop's own work on a device: min of somebody's hands, the part of them at the bench, and money; null where nobody said what an hour costs. */
export interface Work {
  minutes: number;
  bench: number;
  money: number | null;
}

/** min: nobody knows hands better. */
const GRAIN = 5;

export function workOn(situation: Situation, { shopHour = 0, pieces = 1 }: WorkTerms = {}): Work {
  const { fitting, bench } = shopWork(situation);
  const whole = (minutes: number) => Math.ceil((pieces * minutes) / GRAIN) * GRAIN;
  const minutes = whole(fitting + bench);
  return { minutes, bench: whole(bench), money: shopHour > 0 ? Math.round((minutes * shopHour) / 60) : null };
}

const handsWords = (minutes: number): string =>
  minutes < 60 ? `${minutes}\u00a0min` : format(minutes * 60, 's');

/** How long somebody's hands are at a device, and what that costs. @param of what names it: a place or a build */
export const workSaid = (
  of: string,
  { minutes, bench, money }: Work,
  currency: string | null = null,
): Said<'work'> =>
  say('planned', naming('work', of), {
    work:
      `about ${handsWords(minutes)} of hands-on work` +
      (bench > 0 ? `, ${handsWords(bench)} of it timing` : '') +
      (money === null ? '' : `: ${moneyWords(money, currency)}`),
  });
