import type { Spread } from '../../stats';
import { practicalOf, type Direction } from '../../catalog/links';
import type { Constraint } from './constraint';
import type { ParticipantId } from './negotiate';
import type { Bottleneck, SegmentId, Path } from './path';

/** What would decide if this constraint were gone, or ran as it could without what holds it down. */
function without(
  path: Path,
  constraint: Constraint,
  direction: Direction,
): { name: string; rate: Spread } | null {
  // A share goes up with what it is a share of: with the link gone, its share is no limit either.
  const others = path.constraints.filter((c) => c !== constraint && c.covers?.[direction] !== constraint.id);
  const second = others.length > 0 ? lowest(others, direction) : null;
  const rest = second ? { name: second.name, rate: second.rate[direction] } : null;
  const freed = constraint.link?.without;
  if (!freed) return rest;
  const share = path.constraints.find((c) => c.covers?.[direction] === constraint.id);
  const left = share ? share.rate[direction].expected / constraint.rate[direction].expected : 1;
  const better = practicalOf(freed, direction, path.parts.shopRanges);
  const lifted = {
    name: freed.name,
    rate: { low: better.low * left, expected: better.expected * left, high: better.high * left },
  };
  return !rest || lifted.rate.expected < rest.rate.expected ? lifted : rest;
}

const lowest = (constraints: readonly Constraint[], d: Direction): Constraint =>
  constraints.reduce((a, b) => (b.rate[d].expected < a.rate[d].expected ? b : a));

export function decide(path: Path, direction: Direction): Bottleneck {
  const first = lowest(path.constraints, direction);
  // A share of a link is always below it: the link is to blame where it could run faster and that would give more.
  const whole = path.constraints.find((c) => c.id === first.covers?.[direction]);
  const gain = (c: Constraint) => without(path, c, direction)?.rate.expected ?? Infinity;
  const constraint = whole?.link?.without && gain(whole) > gain(first) ? whole : first;
  return {
    slowest: first,
    constraint,
    segments: culprits(path, constraint),
    next: without(path, constraint, direction),
  };
}

/** Of a link the participants that hold it down, or all of them when they are alike; else where the constraint sits. */
function culprits({ segments }: Path, constraint: Constraint): SegmentId[] {
  const { limiters = [], participants = [] } = constraint.link ?? {};
  const ids = limiters.length > 0 ? limiters : participants.map((p) => p.id);
  if (ids.length > 0) return [...new Set(ids.map(placeOf))];
  return segments
    .filter((segment) => segment.constraints.includes(constraint.id))
    .map((segment) => segment.id);
}

/** Where on the strip a participant stands: a hub's own cable stands with the hub. */
const placeOf = (id: ParticipantId): SegmentId => id.replace(/-cable$/, '') as SegmentId;

/** Expected B/s if these constraints were gone, and with them every share of them. */
export function flowWithout(path: Path, ids: readonly Constraint['id'][], direction: Direction): number {
  const left = path.constraints.filter(({ id, covers }) => {
    const of = covers?.[direction];
    return !ids.includes(id) && !(of && ids.includes(of));
  });
  return left.length > 0 ? lowest(left, direction).rate[direction].expected : Infinity;
}

/** Expected B/s if nothing at these segments held a link below what the rest of it could. */
export function flowFreed(path: Path, segments: readonly SegmentId[], direction: Direction): number {
  const lifts = new Map<Constraint['id'], number>();
  for (const constraint of path.constraints) {
    const could = constraint.link?.without;
    if (!could || !culprits(path, constraint).some((segment) => segments.includes(segment))) continue;
    const better = practicalOf(could, direction, path.parts.shopRanges).expected;
    lifts.set(constraint.id, better / constraint.rate[direction].expected);
  }
  const lift = ({ id, covers }: Constraint) => lifts.get(id) ?? lifts.get(covers?.[direction] ?? id) ?? 1;
  return Math.min(...path.constraints.map((c) => c.rate[direction].expected * lift(c)));
}
