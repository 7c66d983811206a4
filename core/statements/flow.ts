import type { Path } from '../assembly';
import type { Direction } from '../catalog/links';
import type { Place } from '../job';
import { format } from '../units';
import { naming, say, type Said } from './statement';

/** Where something is, as ids name it. */
export const placeId = ({ machine, device }: Place): string => `${device}@${machine}`;

/** What a path lets through in a direction; nothing while it is blocked. */
export const flowSaid = (place: Place, { flow }: Pick<Path, 'flow'>, direction: Direction): Said<'flow'> =>
  say('forecast', naming(placeId(place), direction), {
    flow: flow ? format(flow[direction].expected, 'B/s') : null,
  });
