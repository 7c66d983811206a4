import { factWords } from '../evidence';
import { kindOf } from '../forecast';
import { filesOf, isMove, type Activity } from '../job';
import { format } from '../units';
import { say, type Said } from './statement';
import { targetSaid } from './target';

/** What the brief says of an activity: its size, its files, how often, its target, what it takes today. */
export const briefSaid = (activity: Activity): Said<'size' | 'files' | 'often' | 'target' | 'today'> => ({
  ...say('told', activity.id, {
    size: kindOf(activity).size(activity),
    files: isMove(activity) ? factWords(filesOf(activity), 'count') : null,
    often: factWords(activity.perDay, 'per day'),
    today: activity.today ? format(activity.today, 's') : null,
  }),
  ...targetSaid(activity),
});
