import type { FrozenForecast } from '../job';
import { formatProbability } from '../units';
import { figureWords, naming, rangeWords, say, type Said } from './statement';

type Result = FrozenForecast['results'][number];

/** What a result is: of a move its time, of anything else what answers it. */
export const frozenFigure = (result: Result) => (result.time ?? result.figure)!;

/** What was frozen of an activity. */
export const frozenSaid = (
  frozen: FrozenForecast,
  result: Result,
): Said<'expected' | 'range' | 'probability'> => {
  const figure = frozenFigure(result);
  return say('frozen', naming(result.activity, frozen.id), {
    expected: figureWords(figure, figure.unit),
    range: rangeWords(figure, figure.unit),
    probability: result.probability === null ? null : formatProbability(result.probability),
  });
};
