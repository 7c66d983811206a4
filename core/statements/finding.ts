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

/** What the shop's own work comes to, in min and in money; null where nobody said what an hour of it costs. */
export function workCost(
  situation: Situation,
  { shopHour = 0, pieces = 1 }: { shopHour?: number | undefined; pieces?: number | undefined },
): { minutes: number; money: number | null } {
  const { fitting, bench } = shopWork(situation);
  const minutes = Math.ceil((fitting + bench) / 5) * 5;
  return { minutes, money: shopHour > 0 ? Math.round((pieces * minutes * shopHour) / 60) : null };
}

/** To five minutes: nobody knows hands better. */
const hands = (minutes: number): string => {
  const whole = Math.ceil(minutes / 5) * 5;
  return whole < 60 ? `${whole}\u00a0min` : format(whole * 60, 's');
};

/** The shop's own work on a device: how long somebody's hands are at it, and what that costs. @param of what names it: a place or a build */
export function workSaid(
  of: string,
  situation: Situation,
  costs: { shopHour?: number | undefined; pieces?: number | undefined; currency: string | null },
): Said<'work'> {
  const { bench } = shopWork(situation);
  const { minutes, money } = workCost(situation, costs);
  const timed = bench > 0 ? `, ${hands(bench)} of it timing` : '';
  const price = money === null ? '' : `: ${moneyWords(money, costs.currency)}`;
  return say('planned', naming('work', of), {
    work: `about ${hands(minutes)} of hands-on work${timed}${price}`,
  });
}
