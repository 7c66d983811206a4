import type { Direction } from '../catalog/links';
import type { Finding } from '../fit';
import type { ListedStep } from '../fitting';
import type { Place } from '../job';
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
