import {
  contentionWords,
  reasonOf,
  type Constraint,
  type ConstraintId,
  type Path,
  type Segment,
} from '../assembly';
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

/** What a part's figure is, where no link explains it. */
const ROLE: Partial<Record<ConstraintId, string>> = {
  media: 'the drive itself, cache fresh',
  bridge: 'as the enclosure’s chip is stated',
  other: 'what stands at the other end of the copy',
  system: 'its share of the slowest link',
  array: 'what makes them one has its own cost; made by the system, redundancy crosses the link too',
};

/** What one part of a path allows: its ceiling, what is expected of it and within which range; how it runs. */
export function partSaid(
  place: Place,
  { id, ceiling, rate, link, shared }: Pick<Constraint, 'id' | 'ceiling' | 'rate' | 'link' | 'shared'>,
  direction: Direction,
): Said<'ceiling' | 'allows' | 'range' | 'runs'> {
  const beside = shared?.[direction];
  const { low, expected, high } = rate[direction];
  const [from, to] = [mb(low), mb(high)];
  return say('forecast', naming(placeId(place), id, direction), {
    ceiling: ceiling === null ? 'none' : mb(ceiling),
    allows: mb(expected),
    range: from === to ? from : `${from} to ${to}`,
    runs: [link ? reasonOf(link) : ROLE[id], beside && `shared: ${contentionWords(beside)}`]
      .filter(Boolean)
      .join('; '),
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

/** What would decide if the part that does were out of the way. */
export const nextSaid = (
  place: Place,
  { bottleneck }: Pick<Path, 'bottleneck'>,
  direction: Direction,
): Said<'next'> => {
  const { constraint, next } = bottleneck?.[direction] ?? {};
  return say('forecast', naming(placeId(place), direction), {
    next:
      constraint && next
        ? `Without ${constraint.name}, ${next.name} would decide, at ${format(next.rate.expected, 'B/s')}.`
        : null,
  });
};
