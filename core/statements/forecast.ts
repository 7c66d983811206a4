import type { ActivityForecast } from '../forecast';
import type { Estimate } from '../evidence';
import { isLoad, mustNotStall, type Activity } from '../job';
import { format, formatProbability, formatRange } from '../units';
import { figureWords, naming, rangeWords, say, type Said } from './statement';

/** A figure behind that of an activity, by its name. */
export const moreSaid = ({ id }: Activity, figure: Estimate): Said<'figure' | 'range'> =>
  say('forecast', naming('more', figure.because.name, id), {
    figure: format(figure.expected, figure.unit),
    range: figure.low < figure.high ? formatRange(figure, figure.unit) : null,
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
