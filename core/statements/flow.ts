import type { Constraint, Path, Segment } from '../assembly';
import type { Direction } from '../catalog/links';
import type { Place } from '../job';
import { format, numeral } from '../units';
import { naming, say, type Said } from './statement';

/** Where something is, as ids name it. */
export const placeId = ({ machine, device }: Place): string => `${device}@${machine}`;

/** What a path lets through in a direction; nothing while it is blocked. */
export const flowSaid = (place: Place, { flow }: Pick<Path, 'flow'>, direction: Direction): Said<'flow'> =>
  say('forecast', naming(placeId(place), direction), {
    flow: flow ? format(flow[direction].expected, 'B/s') : null,
  });

/** B/s as the rows of a path tell it, in MB/s. */
const mb = (rate: number): string => numeral(rate / 1e6, rate < 100e6 ? 1 : 0);

/** What one part of a path allows: its ceiling, what is expected of it and within which range. */
export function partSaid(
  place: Place,
  { id, ceiling, rate }: Pick<Constraint, 'id' | 'ceiling' | 'rate'>,
  direction: Direction,
): Said<'ceiling' | 'allows' | 'range'> {
  const { low, expected, high } = rate[direction];
  const [from, to] = [mb(low), mb(high)];
  return say('forecast', naming(placeId(place), id, direction), {
    ceiling: ceiling === null ? 'none' : mb(ceiling),
    allows: mb(expected),
    range: from === to ? from : `${from} to ${to}`,
  });
}

/** What passes a place of the strip as it runs. */
export const passSaid = (
  place: Place,
  { id, passes }: Pick<Segment, 'id' | 'passes'>,
  direction: Direction,
): Said<'passes'> =>
  say('forecast', naming(placeId(place), 'strip', id, direction), {
    passes: passes[direction] === 0 ? 'nothing passes' : format(passes[direction], 'B/s'),
  });
