import { recordersFor, type Estimate, type Recorder } from '../../evidence';
import type { Spread } from '../../stats';
import { assumed } from '../../catalog/assumptions';
import type { Direction } from '../../catalog/links';
import type { Host } from '../../catalog/parts';
import { carriedBy, parityKept } from '../array/carried';
import { ARRAY_NAMES, layoutWords } from '../array/words';
import { makesParity, sharedOf, throughArray, throughRedundancy, type Layout } from '../array/layout';
import { both, under, type Constraint } from './constraint';
import type { PathParts } from './parts';
import { DOING } from './words';

/** What each member has for itself, for all of those that carry a stream. */
export function membersConstraint(
  one: Constraint,
  { array: layout, host, shopRanges }: Pick<PathParts, 'array' | 'host' | 'shopRanges'>,
): Constraint {
  if (!layout) return one;
  const name = `${one.name}, ${layoutWords(layout)}`;
  const record = recordersFor(shopRanges);
  const explain = (direction: Direction): Estimate =>
    carriedBy(
      record.explaining,
      one.explain(direction),
      { layout, direction, host },
      `${name}, ${DOING[direction]}`,
    );
  const rate = (direction: Direction): Spread =>
    under(
      carriedBy(record.bare, one.rate[direction], { layout, direction, host }, name),
      one.ceiling === null ? undefined : one.ceiling * layout.members,
    );
  const ceiling = one.ceiling === null ? null : one.ceiling * layout.members;
  return { ...one, name, ceiling, member: one, rate: both(rate), explain };
}

/** Who makes an array, as its working calls it. */
const makerOf = ({ by }: Layout): string => (by === 'firmware' ? 'the enclosure' : 'the system');

/**
 * The layer that makes several drives one: its own cost for each byte, and the redundancy that crosses the links with the data.
 * @param isShared whether the members share a link
 */
export function layoutConstraint(
  { shopRanges, array, host }: PathParts & { array: Layout },
  slowest: Record<Direction, Constraint>,
  isShared: boolean,
): Constraint {
  const record = recordersFor(shopRanges);
  const dataOf = (direction: Direction) => (isShared ? sharedOf(array, direction) : 1);
  const name = `${ARRAY_NAMES[array.mode].name} made by ${makerOf(array)}`;
  const rate = (direction: Direction): Spread =>
    layered(record.bare, array, host, dataOf(direction), slowest[direction].rate[direction]);
  const explain = (direction: Direction): Estimate =>
    record.explaining.renamed(
      `${name}, ${DOING[direction]}`,
      layered(record.explaining, array, host, dataOf(direction), slowest[direction].explain(direction)),
    );
  return { id: 'array', name, rate: both(rate), ceiling: null, covers: both((d) => slowest[d].id), explain };
}

/** What links carry of the user's own data, which is such a share of all that crosses them. */
function layered<T extends Spread>(
  record: Recorder<T>,
  layout: Layout,
  host: Host,
  data: number,
  links: T,
): T {
  const cost = assumed(record, `stack-cost.${layout.by}`);
  const ceiling = links.ceiling === undefined ? {} : { ceiling: links.ceiling * data };
  if (data === 1) return record.of(throughArray, { links, cost }, ceiling);
  const practice = { kind: 'practice', note: layoutWords(layout) } as const;
  return record.of(
    throughRedundancy,
    {
      links,
      data: record.given('share of what crosses the links that is data', data, 'ratio', practice),
      // Redundancy crosses the links only where data is written.
      kept: makesParity(layout, 'write')
        ? parityKept(record, layout, host)
        : record.given('share that the mirror keeps', 1, 'ratio', practice),
      cost,
    },
    ceiling,
  );
}
