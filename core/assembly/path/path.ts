import type { Spread } from '../../stats';
import type { Direction } from '../../catalog/links';
import type { Constraint, ConstraintId } from './constraint';
import type { Links } from './links';
import type { Blocker, PathParts } from './parts';

export type SegmentId = 'drive' | 'bridge' | 'cable' | `hub-${number}` | 'port' | 'system' | 'host';

/** A place on the strip. */
export interface Segment {
  id: SegmentId;
  /** What stands there. */
  part: string;
  /** What it does, in a few words: interface, position, modes. */
  detail: string;
  /** What it could pass by its own best mode, expected B/s for each direction; 0 where nothing passes. */
  alone: Record<Direction, number>;
  /** What passes there as it runs, with what is before and behind it. */
  passes: Record<Direction, number>;
  /** Constraints it has a share in. */
  constraints: ConstraintId[];
  /** Of the last: the machine works on the drive, nothing is copied. */
  endsAtHost?: true;
}

export interface Bottleneck {
  /** The slowest of all: its rate is the flow. */
  slowest: Constraint;
  /** What is to blame for it: the slowest itself, or the link it is a share of, where that could run faster. */
  constraint: Constraint;
  /** The segments that hold it down: those whose exchange would help, or all on the link when they are alike. */
  segments: SegmentId[];
  /** What would decide if this one were gone, by the constraint or the link's better mode, and at what rate. */
  next: { name: string; rate: Spread } | null;
}

/** Whether a place is where the eye should go: it holds the flow down, or the slowest sits there. */
export const isNarrow = (
  { id, constraints }: Segment,
  { slowest, constraint, segments }: Bottleneck,
): boolean => segments.includes(id) || (slowest !== constraint && constraints.includes(slowest.id));

export interface Path {
  parts: PathParts;
  segments: Segment[];
  /** In order from the media to the other end. */
  constraints: Constraint[];
  links: Links;
  /** Drive to bridge. */
  inner: Links['inner'];
  /** From the device towards the host. */
  outer: Links['outer'];
  /** Why data cannot flow at all; empty when it can. */
  blocked: Blocker[];
  /** What the segments between media and host pass: the least of links, bridge and system, at the depth of the requests. Null when blocked. */
  carries: Record<Direction, Spread> | null;
  /** The least over the whole chain, both ends with it, drive fresh. Null when blocked. */
  flow: Record<Direction, Spread> | null;
  bottleneck: Record<Direction, Bottleneck> | null;
}
