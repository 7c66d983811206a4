import { factWords } from '../evidence';
import { kindOf, type ActivityForecast } from '../forecast';
import { filesOf, isLoad, isMove, mustNotStall, type Activity } from '../job';
import { format, formatProbability } from '../units';
import { figureWords, rangeWords, say, type Said } from './statement';

/** What the brief says of an activity: its size, its files, how often, its target, what it takes today. */
export const briefSaid = (activity: Activity): Said<'size' | 'files' | 'often' | 'target' | 'today'> =>
  say('told', activity.id, {
    size: kindOf(activity).size(activity),
    files: isMove(activity) ? factWords(filesOf(activity), 'count') : null,
    often: factWords(activity.perDay, 'per day'),
    target: mustNotStall(activity)
      ? 'no stall'
      : activity.target === null
        ? 'no target'
        : format(activity.target, 's'),
    today: activity.today ? format(activity.today, 's') : null,
  });

/** What is forecast of an activity: the figure that answers it, its range, what stands beside it, and how probably its target is met. */
export function forecastSaid({
  activity,
  figure,
  today,
  rate,
  more,
  probability,
}: Omit<ActivityForecast, 'course'>): Said<'expected' | 'range' | 'beside' | 'probability' | 'today'> {
  const beside = rate ?? more[0];
  const how = isLoad(activity) ? ' is storage' : mustNotStall(activity) ? ' needed' : '';
  return say('forecast', activity.id, {
    expected: figureWords(figure, figure.unit),
    range: rangeWords(figure, figure.unit),
    beside: beside ? `${format(beside.expected, beside.unit)}${how}` : null,
    probability: probability === null ? null : formatProbability(probability),
    today,
  });
}
