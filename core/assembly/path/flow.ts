import type { Spread } from '../../stats';
import { explaining, type Estimate, type Recorder } from '../../evidence';
import type { Direction } from '../../catalog/links';
import type { Constraint, ConstraintId } from './constraint';
import { atDepth } from './depth';
import type { Path } from './path';
import { DOING } from './words';

/** Constraints at the two ends; all others lie between the media and the host. */
const ENDS: readonly ConstraintId[] = ['media', 'far', 'other'];

/** Which section of the chain: all of it, what lies between media and host, or what several bays share. */
export type Reach = 'all' | 'links' | 'beyond bays';
const REACH: Record<Reach, string> = {
  all: 'flow',
  links: 'what the links carry',
  'beyond bays': 'what the links beyond the bays carry',
};

/** What decides a section: of one constraint and its own share, the share alone. */
export function deciding({ constraints }: Path, section: Reach, d: Direction): Constraint[] {
  const covered = constraints.map((c) => c.covers?.[d]);
  return constraints.filter(
    (c) =>
      !covered.includes(c.id) &&
      (section === 'all' || !ENDS.includes(c.id)) &&
      (section !== 'beyond bays' || c.id !== 'inner'),
  );
}

/** A constraint's rate as a figure. */
const rateFrom = <T extends Spread>(record: Recorder<T>, c: Constraint, d: Direction): T =>
  record.either(
    () => c.rate[d],
    () => c.explain(d),
  );

const SLOWEST =
  'The slowest decides. The range is that of the least of independent quantities: P(least > x) is the product of the parts’ P(> x).';

/**
 * What a section of the path carries.
 * @throws RangeError when the path is blocked
 */
export function flowOf<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  direction: Direction,
  section: Reach = 'all',
): T {
  if (path.blocked.length > 0) throw new RangeError('A blocked path has no flow.');
  const { requests } = path.parts;
  const least = (parts: { name: string; figure: T }[], of: Reach) =>
    record.least(`${REACH[of]}, ${DOING[direction]}`, parts, 'B/s', SLOWEST);
  const named = (constraints: readonly Constraint[]) =>
    constraints.map((c) => ({ name: c.name, figure: rateFrom(record, c, direction) }));
  if (!requests) return least(named(deciding(path, section, direction)), section);
  const carried = least(named(deciding(path, 'links', direction)), 'links');
  const links = atDepth(record, carried, path.parts, direction, path.outer.mode?.family === 'usb', requests);
  if (section === 'links') return links;
  const ends = path.constraints.filter((c) => ENDS.includes(c.id));
  return least([{ name: 'links at this depth', figure: links }, ...named(ends)], 'all');
}

/** {@link flowOf} with its working. */
export const explainFlow = (path: Path, direction: Direction, section: Reach = 'all'): Estimate =>
  flowOf(explaining, path, direction, section);
