import { least, spread, worked, type Estimate, type Spread } from '../evidence';
import { practicalOf, type Direction, type Link } from '../links';
import { behind, linkConstraint, partConstraint, type Constraint } from './constraint';
import { negotiate, type Negotiated } from './negotiate';
import { mismatches, type PathParts } from './parts';

/** A place on the strip. */
export interface Joint {
  id: 'drive' | 'bridge' | 'cable' | 'port' | 'host';
  /** What stands there. */
  part: string;
  /** What it does, in a few words: interface, position, modes. */
  detail: string;
  /** What it could pass by its own best mode, expected B/s for each direction; null where its figure is not known, 0 where nothing passes. */
  alone: Record<Direction, number | null>;
  /** Constraints it has a share in. */
  constraints: Constraint['id'][];
}

export interface Bottleneck {
  constraint: Constraint;
  /** The joints that hold it down: those whose exchange would help, or all on the link when they are alike. The strip marks them. */
  joints: Joint['id'][];
  /** What would decide if this one were gone, and at what rate. */
  next: { name: string; rate: Spread } | null;
}

export interface Path {
  parts: PathParts;
  joints: Joint[];
  /** In order from the media to the other end. */
  constraints: Constraint[];
  inner: Negotiated | null;
  outer: Negotiated;
  /** Why data cannot flow at all; empty when it can. */
  blocked: string[];
  /** What the joints between media and host pass: the least of the links and the bridge. Null when blocked. */
  carries: Record<Direction, Spread> | null;
  /** The least over the whole chain, both ends with it, drive fresh. Null when blocked. */
  flow: Record<Direction, Spread> | null;
  bottleneck: Record<Direction, Bottleneck> | null;
}

/** Constraints that lie between the media and the host. */
const BETWEEN: readonly Constraint['id'][] = ['inner', 'bridge', 'outer'];

/** What cable and port are called in a link's reason. */
const CABLE = 'the cable';
const PORT = 'the port';

/** Puts parts together: negotiates each link, finds every constraint, the flow and what decides it. */
export function buildPath(parts: PathParts): Path {
  const { drive, bridge, cable, port } = parts;
  const driveEnd = { name: drive.model, modes: drive.modes };
  const lead = cable ? [{ name: CABLE, modes: cable.modes }] : [];
  const portEnd = { name: PORT, modes: port.modes };
  const converts = bridge !== null && !bridge.passThrough;
  const inner = converts ? negotiate([driveEnd, { name: bridge.model, modes: bridge.inner }]) : null;
  const outer = converts
    ? negotiate([{ name: bridge.model, modes: bridge.outer }, ...lead, portEnd])
    : negotiate([driveEnd, ...(bridge ? [{ name: bridge.model, modes: bridge.outer }] : []), ...lead, portEnd]);

  const blocked = mismatches(parts);
  for (const link of [inner, outer]) if (link && !link.mode) blocked.push(link.reason);

  const constraints = collect(parts, inner, outer);
  const joints = strip(parts, inner, outer, constraints);
  const path: Path = { parts, joints, constraints, inner, outer, blocked, carries: null, flow: null, bottleneck: null };
  if (blocked.length > 0) return path;
  path.carries = both((d) => least(constraints.filter((c) => BETWEEN.includes(c.id)).map((c) => c.rate[d])));
  path.flow = both((d) => least(constraints.map((c) => c.rate[d])));
  path.bottleneck = both((d) => decide(path, d));
  return path;
}

const both = <T>(of: (direction: Direction) => T): Record<Direction, T> => ({ read: of('read'), write: of('write') });

/** A built-in drive nobody knows [memory]. */
const BUILT_IN = { read: spread(100e6, 500e6, 3000e6), write: spread(100e6, 500e6, 5000e6) };

function collect({ drive, bridge, host }: PathParts, inner: Negotiated | null, outer: Negotiated): Constraint[] {
  const own = (inner ?? outer).mode;
  const found: Constraint[] = [partConstraint('media', drive.model, { read: drive.read, write: drive.write }, both((d) => behind(own, d)))];
  if (inner?.mode) found.push(linkConstraint('inner', { ...inner, mode: inner.mode }, false));
  if (bridge && (bridge.read?.value != null || bridge.write?.value != null)) {
    const none = { value: null, source: { kind: 'unknown' } } as const;
    found.push(partConstraint('bridge', bridge.model, { read: bridge.read ?? none, write: bridge.write ?? none }, both((d) => behind(outer.mode, d))));
  }
  if (outer.mode) found.push(linkConstraint('outer', { ...outer, mode: outer.mode }, bridge?.protocol === 'bulk-only' && outer.mode.family === 'usb'));
  // Reading from the drive writes to the host's built-in one, and the other way about.
  const storage = { read: host.storage.write, write: host.storage.read };
  found.push(partConstraint('other', host.storage.name, storage, BUILT_IN, 'built-in drives in use, from disks to fast flash'));
  return found;
}

/** What a participant could carry by its own best mode, expected; 0 where it shares none with the end on its drive side. */
function alone(near: readonly string[], modes: readonly string[]): Record<Direction, number> {
  const shares = negotiate([{ name: 'near', modes: near }, { name: 'own', modes }]).mode !== null;
  const { mode } = negotiate([{ name: 'own', modes }]);
  return both((d) => (shares && mode ? practicalOf(mode, d).expected : 0));
}

function strip({ drive, bridge, cable, port, host }: PathParts, inner: Negotiated | null, outer: Negotiated, constraints: Constraint[]): Joint[] {
  const constraint = (id: Constraint['id']) => constraints.find((c) => c.id === id);
  const ids = (...wanted: Constraint['id'][]) => wanted.filter((id) => constraint(id));
  const sending = bridge ? bridge.outer : drive.modes;
  const modeName = (link: Negotiated | null) => link?.mode?.name ?? 'no common mode';
  const converts = bridge !== null && !bridge.passThrough;
  const joints: Joint[] = [
    { id: 'drive', part: drive.model, detail: [drive.cell ?? 'flash', modeName(inner ?? outer)].join(', '), alone: both((d) => constraint('media')!.rate[d].expected), constraints: ids('media') },
  ];
  if (bridge) {
    const cap = constraint('bridge');
    const own = converts ? both((d) => Math.min(cap?.rate[d].expected ?? Infinity, inner?.mode ? practicalOf(inner.mode, d).expected : 0, alone(bridge.outer, bridge.outer)[d])) : alone(drive.modes, bridge.outer);
    joints.push({ id: 'bridge', part: bridge.model, detail: converts ? `${modeName(inner)} inside${bridge.protocol === 'bulk-only' ? ', bulk-only' : ''}` : 'passes the lanes through', alone: own, constraints: ids('inner', 'bridge') });
  }
  if (cable) joints.push({ id: 'cable', part: cable.name, detail: `${cable.length} m, ${cable.ends.join(' to ')}`, alone: alone(sending, cable.modes), constraints: ids('outer') });
  joints.push({ id: 'port', part: port.position, detail: `${port.connector}, ${outer.mode ? `runs ${outer.mode.name}` : 'no common mode'}`, alone: alone(sending, port.modes), constraints: ids('outer') });
  joints.push({ id: 'host', part: host.storage.name, detail: host.name, alone: both((d) => constraint('other')!.rate[d].expected), constraints: ids('other') });
  return joints;
}

function decide(path: Path, direction: Direction): Bottleneck {
  const lowest = (constraints: readonly Constraint[]) => constraints.reduce((a, b) => (b.rate[direction].expected < a.rate[direction].expected ? b : a));
  const constraint = lowest(path.constraints);
  const others = path.constraints.filter((c) => c !== constraint);
  const second = others.length > 0 ? lowest(others) : null;
  const freed: Link | null = constraint.link?.without ?? null;
  const lifted = freed ? { name: freed.name, rate: practicalOf(freed, direction) } : null;
  const rest = second ? { name: second.name, rate: second.rate[direction] } : null;
  const next = lifted && (!rest || lifted.rate.expected < rest.rate.expected) ? lifted : rest;
  return { constraint, joints: culprits(path, constraint), next };
}

/** Of a link the participants that hold it down, or all of them when they are alike; else where the constraint sits. */
function culprits({ parts, joints }: Path, constraint: Constraint): Joint['id'][] {
  const { drive, bridge } = parts;
  const direct = bridge === null || bridge.passThrough;
  const named: Record<string, Joint['id'][]> = {
    inner: ['drive', 'bridge'],
    outer: [...(direct ? (['drive'] as const) : []), 'bridge', 'cable', 'port'],
  };
  const onLink = named[constraint.id];
  if (!onLink) return joints.filter((joint) => joint.constraints.includes(constraint.id)).map((joint) => joint.id);
  const names: Partial<Record<Joint['id'], string | undefined>> = { drive: drive.model, bridge: bridge?.model, cable: CABLE, port: PORT };
  const there = onLink.filter((id) => joints.some((joint) => joint.id === id));
  const held = there.filter((id) => constraint.link!.limiters.includes(names[id] ?? ''));
  return held.length > 0 ? held : there;
}

/** Which stretch of the chain: all of it, or the links between media and host. */
export type Stretch = 'all' | 'links';
const STRETCH: Record<Stretch, { ids: readonly Constraint['id'][]; words: string }> = {
  all: { ids: ['media', ...BETWEEN, 'other'], words: 'flow' },
  links: { ids: BETWEEN, words: 'what the links carry' },
};

/**
 * What a stretch of the path carries, with its working.
 * @throws RangeError when the path is blocked
 */
export function explainFlow(path: Path, direction: Direction, stretch: Stretch = 'all'): Estimate {
  if (path.blocked.length > 0) throw new RangeError('A blocked path has no flow.');
  const used = path.constraints.filter((c) => STRETCH[stretch].ids.includes(c.id));
  const inputs = used.map((c) => c.explain(direction));
  return worked(`${STRETCH[stretch].words}, ${direction === 'read' ? 'reading' : 'writing'}`, least(inputs), 'B/s', {
    how: 'exact',
    formula: `least of (${used.map((c) => c.name).join('; ')})`,
    note: 'The slowest decides. The range is that of the least of independent quantities: P(least > x) is the product of the parts’ P(> x).',
    inputs,
  });
}

/** Hard ceiling of the whole path in B/s: what no honest measurement can exceed. Infinity where no link sets one. */
export function hardCeiling(path: Path): number {
  return Math.min(Infinity, ...path.constraints.map((c) => c.ceiling ?? Infinity));
}

