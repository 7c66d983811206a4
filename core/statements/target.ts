import { middle } from '../evidence';
import { isLoad, mustNotStall, type Activity } from '../job';
import { format } from '../units';
import { say, type Said } from './statement';

/** What is asked of an activity. Apart from its size: a page that shows it needs no models. */
export const targetSaid = (activity: Activity): Said<'target'> =>
  say('told', activity.id, {
    target: mustNotStall(activity)
      ? 'no stall'
      : activity.target === null
        ? 'no target'
        : format(activity.target, 's'),
  });

/** What of a load's time host and program take by themselves; null of anything else, or where nobody knows it. */
export function processingWords(activity: Activity | null, seconds: number): string | null {
  const own = activity && isLoad(activity) ? middle(activity.processing) : null;
  return own === null || own === 0
    ? null
    : `${format(Math.min(own, seconds), 's')} of it are processing: no drive shortens that.`;
}
