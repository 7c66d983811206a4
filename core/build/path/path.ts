import { least, type Spread } from '../../stats';
import type { Direction } from '../../catalog/links';
import { decide } from './bottleneck';
import { collect } from './collect';
import { both, type Constraint, type ConstraintId } from './constraint';
import { deciding, flowOf } from './flow';
import { negotiateLinks, type Links } from './links';
import { mismatches, type Block, type PathParts } from './parts';
import { strip } from './strip';
import { bare } from '../../evidence';

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
  /** What would decide if this one were gone, by the constraint or the link's better mode, and at what rate. */
  next: { name: string; rate: Spread } | null;
}

export interface Path {
  parts: PathParts;
  joints: Joint[];
  /** In order from the media to the other end. */
  constraints: Constraint[];
  links: Links;
  /** Drive to bridge. */
  inner: Links['inner'];
  /** From the device towards the host. */
  outer: Links['outer'];
  /** Why data cannot flow at all; empty when it can. */
  blocked: Block[];
  /** What the joints between media and host pass: the least of links, bridge and system, at the depth of the requests. Null when blocked. */
  carries: Record<Direction, Spread> | null;
  /** The least over the whole chain, both ends with it, drive fresh. Null when blocked. */
  flow: Record<Direction, Spread> | null;
  bottleneck: Record<Direction, Bottleneck> | null;
}

/** Puts parts together: negotiates each link, finds every constraint, the flow and what decides it. */
export function buildPath(parts: PathParts): Path {
  const path = screenPath(parts);
  path.joints = strip(path);
  if (path.flow) path.bottleneck = both((d) => decide(path, d));
  return path;
}

/** {@link buildPath} as far as numbers ask: no strip and no bottleneck, for candidates by the hundred thousand. */
export function screenPath(parts: PathParts): Path {
  const links = negotiateLinks(parts);
  const { inner, outer, hops } = links;
  const blocked: Block[] = mismatches(parts);
  for (const link of [inner, outer, ...hops]) if (link && !link.mode) blocked.push({ id: 'no mode', link });
  const path: Path = {
    parts,
    joints: [],
    constraints: collect(parts, links),
    links,
    inner,
    outer,
    blocked,
    carries: null,
    flow: null,
    bottleneck: null,
  };
  if (blocked.length > 0) return path;
  const rates = (section: 'all' | 'links', d: Direction) => deciding(path, section, d).map((c) => c.rate[d]);
  const asked = parts.requests !== undefined;
  path.carries = both((d) => (asked ? flowOf(bare, path, d, 'links') : least(rates('links', d))));
  path.flow = both((d) => (asked ? flowOf(bare, path, d) : least(rates('all', d))));
  return path;
}

/** Hard ceiling of the whole path in B/s: what no honest measurement can exceed. Infinity where no link sets one. */
export function hardCeiling(path: Path): number {
  return Math.min(Infinity, ...path.constraints.map((c) => c.ceiling ?? Infinity));
}
