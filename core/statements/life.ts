import { isLife, lastingWords, type JobForecast } from '../forecast';
import type { Place } from '../job';
import { format } from '../units';
import { naming, rangeWords, say, type Said } from './statement';
import { placeId } from './flow';

/** How long a device's drives last, and what is rated: it counts all that it does, whichever of its machines one looks from. */
export function lifeSaid(
  { device }: Place,
  { life, lasting, workload }: Pick<JobForecast, 'life' | 'lasting' | 'workload'>,
): Said<'lasts' | 'sentence' | 'covers' | 'allowed' | 'writes' | 'workload'> {
  const rated = isLife(life) ? life : null;
  return say('forecast', device, {
    lasts: lasting && format(lasting.years.expected, 'years'),
    sentence: lasting && lastingWords(lasting),
    covers: lasting?.coversWords ?? null,
    allowed: rated?.allowed ? format(rated.allowed.expected, 'B/day') : null,
    writes: rated?.dwpd ? format(rated.dwpd.expected, 'ratio', 2) : null,
    workload: workload && format(workload.expected, '%'),
  });
}

/** How long a full format takes, as forecast or as its checkpoints tell. */
export const formatSaid = (
  place: Place,
  { format: whole }: Pick<JobForecast, 'format'>,
): Said<'takes' | 'range'> =>
  say('forecast', naming('full format', placeId(place)), {
    takes: whole && format(whole.expected, 's'),
    range: whole && rangeWords(whole, 's'),
  });
