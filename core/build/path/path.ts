import { least, type Spread } from '../../stats';
import { worked, type Estimate } from '../../evidence';
import { practicalOf, type Direction } from '../../catalog/links';
import { collect } from './collect';
import { both, type Constraint, type ConstraintId } from './constraint';
import { atDepth } from './depth';
import { CABLE, hubCable, lastLink, negotiateLinks, PORT, type Links } from './links';
import { negotiate, type Negotiated } from './negotiate';
import { firstPort, isConverting, mismatches, portOf, type PathParts } from './parts';

export type JointId = 'drive' | 'bridge' | 'cable' | `hub-${number}` | 'port' | 'system' | 'host';

/** A place on the strip. */
export interface Joint {
  id: JointId;
  /** What stands there. */
  part: string;
  /** What it does, in a few words: interface, position, modes. */
  detail: string;
  /** What it could pass by its own best mode, expected B/s for each direction; null where its figure is not known, 0 where nothing passes. */
  alone: Record<Direction, number | null>;
  /** Constraints it has a share in. */
  constraints: ConstraintId[];
}

export interface Bottleneck {
  constraint: Constraint;
  /** The joints that hold it down: those whose exchange would help, or all on the link when they are alike. The strip marks them. */
  joints: JointId[];
  /** What would decide if this one were gone, and at what rate. */
  next: { name: string; rate: Spread } | null;
}

export interface Path {
  parts: PathParts;
  joints: Joint[];
  /** In order from the media to the other end. */
  constraints: Constraint[];
  links: Links;
  /** Drive to bridge. */
  inner: Negotiated | null;
  /** From the device towards the host. */
  outer: Negotiated;
  /** Why data cannot flow at all; empty when it can. */
  blocked: string[];
  /** What the joints between media and host pass: the least of links, bridge and system, at the depth of the requests. Null when blocked. */
  carries: Record<Direction, Spread> | null;
  /** The least over the whole chain, both ends with it, drive fresh. Null when blocked. */
  flow: Record<Direction, Spread> | null;
  bottleneck: Record<Direction, Bottleneck> | null;
}

/** Constraints at the two ends; all others lie between the media and the host. */
const ENDS: readonly ConstraintId[] = ['media', 'far', 'other'];

/** Puts parts together: negotiates each link, finds every constraint, the flow and what decides it. */
export function buildPath(parts: PathParts): Path {
  const links = negotiateLinks(parts);
  const { inner, outer, hops } = links;
  const blocked = mismatches(parts);
  for (const link of [inner, outer, ...hops]) if (link && !link.mode) blocked.push(link.reason);

  const constraints = collect(parts, links);
  const path: Path = {
    parts,
    joints: strip(parts, links, constraints),
    constraints,
    links,
    inner,
    outer,
    blocked,
    carries: null,
    flow: null,
    bottleneck: null,
  };
  if (blocked.length > 0) return path;
  if (parts.requests) {
    path.carries = both((d) => explainFlow(path, d, 'links'));
    path.flow = both((d) => explainFlow(path, d));
  } else {
    path.carries = both((d) => least(rates(path, 'links', d)));
    path.flow = both((d) => least(rates(path, 'all', d)));
  }
  path.bottleneck = both((d) => decide(path, d));
  return path;
}

/** Which stretch of the chain: all of it, what lies between media and host, or what several bays share. */
export type Stretch = 'all' | 'links' | 'beyond bays';
const STRETCH: Record<Stretch, string> = {
  all: 'flow',
  links: 'what the links carry',
  'beyond bays': 'what the links beyond the bays carry',
};

/** What decides a stretch: of one constraint and its own share, the share alone. */
function deciding({ constraints }: Path, stretch: Stretch, d: Direction): Constraint[] {
  const covered = constraints.map((c) => c.covers?.[d]);
  return constraints.filter(
    (c) =>
      !covered.includes(c.id) &&
      (stretch === 'all' || !ENDS.includes(c.id)) &&
      (stretch !== 'beyond bays' || c.id !== 'inner'),
  );
}
const rates = (path: Path, stretch: Stretch, d: Direction): Spread[] =>
  deciding(path, stretch, d).map((c) => c.rate[d]);

/** What a participant could carry by its own best mode, expected; 0 where it shares none with the end on its drive side. */
function alone(near: readonly string[], modes: readonly string[]): Record<Direction, number> {
  const shares =
    near === modes ||
    negotiate([
      { name: 'near', modes: near },
      { name: 'own', modes },
    ]).mode !== null;
  const { mode } = negotiate([{ name: 'own', modes }]);
  return both((d) => (shares && mode ? practicalOf(mode, d).expected : 0));
}

function strip(parts: PathParts, links: Links, constraints: readonly Constraint[]): Joint[] {
  const { drive, bridge, cable, port, host, hops = [], endpoint } = parts;
  const { inner, outer } = links;
  const constraint = (id: ConstraintId) => constraints.find((c) => c.id === id);
  const ids = (...wanted: ConstraintId[]) => wanted.filter((id) => constraint(id));
  const modeName = (link: Negotiated | null) => link?.mode?.name ?? 'no common mode';
  const least2 = (a: Record<Direction, number>, b: Record<Direction, number>) =>
    both((d) => Math.min(a[d], b[d]));
  const kind =
    drive.media === 'disk' ? [drive.recording, 'disk'].filter(Boolean).join(' ') : (drive.cell ?? 'flash');
  const joints: Joint[] = [
    {
      id: 'drive',
      part: drive.model,
      detail: `${kind}, ${modeName(inner ?? outer)}`,
      alone: both((d) => constraint('media')!.rate[d].expected),
      constraints: ids('media'),
    },
  ];
  let sending: readonly string[] = drive.modes;
  if (bridge) {
    const cap = constraint('bridge');
    const converts = isConverting(bridge);
    const own = alone(converts ? bridge.outer : drive.modes, bridge.outer);
    const through = converts
      ? both((d) =>
          Math.min(
            cap?.rate[d].expected ?? Infinity,
            inner?.mode ? practicalOf(inner.mode, d).expected : 0,
            own[d],
          ),
        )
      : own;
    joints.push({
      id: 'bridge',
      part: bridge.model,
      detail: converts
        ? `${modeName(inner)} inside${bridge.protocol === 'bulk-only' ? ', bulk-only' : ''}`
        : 'passes the lanes through',
      alone: through,
      constraints: ids('inner', 'bridge'),
    });
    sending = bridge.outer;
  }
  if (cable)
    joints.push({
      id: 'cable',
      part: cable.name,
      detail: `${cable.length} m, ${cable.ends.join(' to ')}`,
      alone: alone(sending, cable.modes),
      constraints: ids('outer'),
    });
  hops.forEach((hop, i) => {
    const there = portOf(hop);
    const at = alone(sending, there.modes);
    const up = least2(alone(hop.hub.up, hop.hub.up), alone(hop.hub.up, hop.cable.modes));
    joints.push({
      id: `hub-${i}`,
      part: hop.hub.model,
      detail: `${modeName(links.hops[i]!)} towards the host`,
      alone: least2(at, up),
      constraints: [...(i === 0 ? ids('outer') : []), ...ids(`hub-${i}`)],
    });
    sending = hop.hub.up;
  });
  const last = lastLink(links);
  joints.push({
    id: 'port',
    part: port.position,
    detail: `${port.connector}, ${last.mode ? `runs ${last.mode.name}` : 'no common mode'}`,
    alone: alone(sending, port.modes),
    constraints: ids(hops.length > 0 ? `hub-${hops.length - 1}` : 'outer', 'uplink'),
  });
  const stack = constraint('system');
  if (stack)
    joints.push({
      id: 'system',
      part: stack.name,
      detail: 'as it drives this port',
      alone: both((d) => stack.rate[d].expected),
      constraints: ['system'],
    });
  joints.push({
    id: 'host',
    part: endpoint?.name ?? host.storage.name,
    detail: host.name,
    alone: both((d) => Math.min(...ids('far', 'other').map((id) => constraint(id)!.rate[d].expected))),
    constraints: ids('far', 'other'),
  });
  return joints;
}

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
  const better = practicalOf(freed, direction);
  const lifted = {
    name: freed.name,
    rate: { low: better.low * left, expected: better.expected * left, high: better.high * left },
  };
  return !rest || lifted.rate.expected < rest.rate.expected ? lifted : rest;
}

const lowest = (constraints: readonly Constraint[], d: Direction): Constraint =>
  constraints.reduce((a, b) => (b.rate[d].expected < a.rate[d].expected ? b : a));

function decide(path: Path, direction: Direction): Bottleneck {
  const first = lowest(path.constraints, direction);
  // A share of a link is always below it: the link is to blame where it could run faster and that would give more.
  const whole = path.constraints.find((c) => c.id === first.covers?.[direction]);
  const gain = (c: Constraint) => without(path, c, direction)?.rate.expected ?? Infinity;
  const constraint = whole?.link?.without && gain(whole) > gain(first) ? whole : first;
  return { constraint, joints: culprits(path, constraint), next: without(path, constraint, direction) };
}

/** Of a link the participants that hold it down, or all of them when they are alike; else where the constraint sits. */
function culprits({ parts, joints }: Path, constraint: Constraint): JointId[] {
  const there = joints.filter((joint) => joint.constraints.includes(constraint.id)).map((joint) => joint.id);
  const { limiters = [] } = constraint.link ?? {};
  const held = onLink(parts, constraint.id)
    .filter(({ name }) => limiters.includes(name))
    .map(({ joint }) => joint);
  if (held.length > 0) return [...new Set(held)];
  const all = onLink(parts, constraint.id).map(({ joint }) => joint);
  return all.length > 0 ? [...new Set(all)] : there;
}

/** Who takes part in a link, by the name its reason calls it and the joint it stands at. */
function onLink(parts: PathParts, id: ConstraintId): { name: string; joint: JointId }[] {
  const { drive, bridge, cable, hops = [] } = parts;
  const converts = isConverting(bridge);
  const at = (name: string | undefined, joint: JointId) => (name === undefined ? [] : [{ name, joint }]);
  if (id === 'inner') return [...at(drive.model, 'drive'), ...at(bridge?.model, 'bridge')];
  if (id === 'outer')
    return [
      ...(converts ? [] : at(drive.model, 'drive')),
      ...at(bridge?.model, 'bridge'),
      ...at(cable ? CABLE : undefined, 'cable'),
      ...at(hops.length > 0 ? firstPort(parts).name : PORT, hops.length > 0 ? 'hub-0' : 'port'),
    ];
  const hop = /^hub-(\d+)$/.exec(id);
  if (!hop) return [];
  const i = Number(hop[1]);
  const next = hops[i + 1];
  return [
    ...at(hops[i]!.hub.model, `hub-${i}`),
    ...at(hubCable(i), `hub-${i}`),
    ...(next ? at(portOf(next).name, `hub-${i + 1}`) : at(PORT, 'port')),
  ];
}

/**
 * What a stretch of the path carries, with its working.
 * @throws RangeError when the path is blocked
 */
export function explainFlow(path: Path, direction: Direction, stretch: Stretch = 'all'): Estimate {
  if (path.blocked.length > 0) throw new RangeError('A blocked path has no flow.');
  const doing = direction === 'read' ? 'reading' : 'writing';
  const { requests } = path.parts;
  const of = (used: readonly { name: string; estimate: Estimate }[], name: string) =>
    worked(name, least(used.map((u) => u.estimate)), 'B/s', {
      how: 'exact',
      formula: `least of (${used.map((u) => u.name).join('; ')})`,
      note: 'The slowest decides. The range is that of the least of independent quantities: P(least > x) is the product of the parts’ P(> x).',
      inputs: used.map((u) => u.estimate),
    });
  const named = (constraints: readonly Constraint[]) =>
    constraints.map((c) => ({ name: c.name, estimate: c.explain(direction) }));
  if (!requests) return of(named(deciding(path, stretch, direction)), `${STRETCH[stretch]}, ${doing}`);
  const carried = of(named(deciding(path, 'links', direction)), `${STRETCH.links}, ${doing}`);
  const links = atDepth(carried, path.parts, path.outer.mode?.family === 'usb', requests);
  if (stretch === 'links') return links;
  return of(
    [
      { name: 'links at this depth', estimate: links },
      ...named(path.constraints.filter((c) => ENDS.includes(c.id))),
    ],
    `${STRETCH.all}, ${doing}`,
  );
}

/** Hard ceiling of the whole path in B/s: what no honest measurement can exceed. Infinity where no link sets one. */
export function hardCeiling(path: Path): number {
  return Math.min(Infinity, ...path.constraints.map((c) => c.ceiling ?? Infinity));
}
