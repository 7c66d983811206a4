import type { ActivityForecast } from '../forecast';
import { isLoad, mustNotStall } from '../job';
import { format, formatProbability } from '../units';
import { figureWords, rangeWords, say, type Said } from './statement';

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
