import type { Spread } from '../../stats';
import {
  layoutWords,
  operationsFor,
  randomMembers,
  STRIP,
  type Layout,
  flowOf,
  isBulkOnly,
  ownLatency,
  type Path,
} from '../../assembly';
import { formula, type Fact, type Recorder } from '../../evidence';
import { ASSUMPTIONS, assumed, marketOf } from '../../catalog/assumptions';
import { randomMarket } from '../../catalog/classes';
import type { Direction } from '../../catalog/links';
import type { Drive } from '../../catalog/parts';

/** Small operations at random places, as they come. */
export interface Operations {
  /** Share of them that read, 0 to 1. */
  reads: number;
  /** B of each. */
  block: number;
  /** How many are under way at once. */
  depth: number;
  /** B they are spread over; null where nobody knows. */
  span: Fact;
  /** Each write waits until it is safe. */
  synchronous: boolean;
  /** Several drives as one; absent: one drive. */
  array?: Layout | undefined;
}

/** How much a disk gains by sorting what is under way, for each doubling of the depth [memory]. */
const SORTING = 0.2;

const misses = formula({
  name: 'share of addresses whose map is not at hand',
  unit: '%',
  inputs: { covered: 'covered by the map at hand', span: 'span' },
  of: (m, x) => m.max(m.num(0), m.sub(m.num(1), m.div(x.covered, x.span))),
});
const latencyOf = formula({
  name: 'latency',
  unit: 's',
  inputs: {
    own: 'drive and system',
    bridge: 'bridge',
    misses: 'misses',
    map: 'reading of the map',
    safe: 'until it is safe',
  },
  of: (m, x) => m.add(m.add(m.add(x.own, x.bridge), m.mul(x.misses, x.map)), x.safe),
});
const oneWay = formula({
  name: 'operations a second',
  unit: 'IOPS',
  inputs: { limit: 'drive’s limit', depth: 'depth', latency: 'latency', path: 'links', block: 'block' },
  of: (m, x) => m.min(x.limit, m.div(x.depth, x.latency), m.div(x.path, x.block)),
});
const mixed = formula({
  name: 'operations a second, mixed',
  unit: 'IOPS',
  inputs: { reads: 'share of reads', read: 'reading', write: 'writing' },
  of: (m, x) => m.div(m.num(1), m.add(m.div(x.reads, x.read), m.div(m.sub(m.num(1), x.reads), x.write))),
});
const diskLimit = formula({
  name: 'operations of a disk',
  unit: 'IOPS',
  inputs: { gain: 'gain by sorting', seek: 'seek', turn: 'half a turn' },
  of: (m, x) => m.div(x.gain, m.add(x.seek, x.turn)),
});
const disksLimit = formula({
  name: 'operations of disks together',
  unit: 'IOPS',
  inputs: {
    members: 'members',
    gain: 'gain by sorting',
    cost: 'operations for each',
    depth: 'depth',
    turns: 'one after another',
    seek: 'seek',
    turn: 'half a turn',
  },
  of: (m, x) =>
    m.div(m.min(m.div(m.mul(x.members, x.gain), x.cost), m.div(x.depth, x.turns)), m.add(x.seek, x.turn)),
});
const membersLimit = formula({
  name: 'limit of the drives together',
  unit: 'IOPS',
  inputs: { one: 'of one', members: 'members', cost: 'operations for each' },
  of: (m, x) => m.div(m.mul(x.one, x.members), x.cost),
});
const inTurns = formula({
  name: 'latency in the array',
  unit: 's',
  inputs: { latency: 'latency of one', turns: 'one after another' },
  of: (m, x) => m.mul(x.latency, x.turns),
});
const times = formula({
  name: 'operations a second',
  unit: 'IOPS',
  inputs: { a: 'by seeking', b: 'help of its own memory' },
  of: (m, x) => m.mul(x.a, x.b),
});
const bounded = formula({
  name: 'drive’s limit',
  unit: 'IOPS',
  inputs: { stated: 'at 4 KiB', block: 'block' },
  of: (m, x) => m.mul(x.stated, m.min(m.num(1), m.div(m.num(4096), x.block))),
});

/** Half a turn of a disk, s: 30 ÷ rpm. */
export const halfTurn = (rpm: number): number => 30 / rpm;

/** What an array makes of operations in one direction; null for one drive. */
function spreadOver<T extends Spread>(
  record: Recorder<T>,
  { array, block }: Operations,
  direction: Direction,
) {
  if (!array || array.mode === 'single') return null;
  const note = layoutWords(array);
  const by = (name: string, value: number | Spread) =>
    record.given(name, value, 'count', { kind: 'practice', note });
  const { operations, turns } = operationsFor(array, block, direction);
  return {
    note,
    members: by('members that share them', randomMembers(array)),
    cost: by('operations of members for each', operations),
    turns: by('of these one after another', turns),
    /** B of a member's own operation. */
    piece: Math.min(block, array.strip ?? STRIP.usual),
  };
}
type Over<T extends Spread> = ReturnType<typeof spreadOver<T>>;

const AS_ASKED = { kind: 'entered' } as const;
const doingOf = (direction: Direction, over: { note: string } | null): string =>
  `${direction === 'read' ? 'reading' : 'writing'}${over ? `, ${over.note}` : ''}`;

/** Operations a second of a disk: it seeks and turns for each, and sorts what is under way. */
function ofDisk<T extends Spread>(
  record: Recorder<T>,
  { parts: { drive } }: Path,
  direction: Direction,
  { depth, synchronous }: Operations,
  over: Over<T>,
): T {
  const rpm = drive.rpm ?? 7200;
  const each = Math.max(1, depth / (over?.members.expected ?? 1));
  const gain = record.given('gain by sorting what is under way', 1 + SORTING * Math.log2(each), 'ratio', {
    kind: 'memory',
    note: `depth ${Math.round(each * 10) / 10}`,
  });
  const turn = record.given(
    'half a turn',
    halfTurn(rpm),
    's',
    drive.rpm ? { kind: 'sheet', note: `${rpm} rpm` } : { kind: 'unknown', note: '7,200 rpm assumed' },
  );
  const moving = { seek: assumed(record, 'disk.seek'), turn };
  const name = { name: `${drive.model}, random ${doingOf(direction, over)}` };
  const under = over && {
    members: over.members,
    cost: over.cost,
    depth: record.given('depth', depth, 'count', AS_ASKED),
    turns: over.turns,
  };
  const seeking = under
    ? record.of(disksLimit, { ...under, gain, ...moving }, name)
    : record.of(diskLimit, { gain, ...moving }, name);
  if (direction === 'read' || synchronous) return seeking;
  const help = assumed(record, 'disk.write-help');
  return record.of(times, { a: seeking, b: help }, { name: `${drive.model}, random writing` });
}

/** How long one request to a flash drive takes. */
function flashLatency<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  direction: Direction,
  { span, synchronous }: Operations,
): T {
  const { drive } = path.parts;
  const waits = direction === 'write' && synchronous;
  const none = (name: string, note: string) => record.given(name, 0, 's', { kind: 'practice', note });
  const spanned = record.fact('span', span, 'B', marketOf(record, 'scratch.span'));
  return record.of(latencyOf, {
    own: ownLatency(record, drive, direction),
    bridge: isOnUsb(path) ? assumed(record, 'usb-latency') : none('bridge', 'none'),
    misses: record.of(misses, { covered: assumed(record, `map.${drive.map ?? 'unknown'}`), span: spanned }),
    map: assumed(record, 'map-read'),
    safe: waits ? assumed(record, 'flush') : none('until it is safe', 'not waited for'),
  });
}

const isOnUsb = (path: Path): boolean => path.outer.mode?.family === 'usb';

const deepShare = formula({
  name: 'operations a second of 4 KiB',
  unit: 'IOPS',
  inputs: { rate: 'sequential rate', share: 'share of it' },
  of: (m, x) => m.div(m.mul(x.rate, x.share), m.num(4096)),
});
/** What a flash drive does deep in a queue where its sheet does not say: a share of its own sequential rate, by class. */
function deepOf<T extends Spread>(record: Recorder<T>, path: Path, direction: Direction, name: string): T {
  const found = path.constraints.find((c) => c.id === 'media')!;
  const media = found.member ?? found;
  const rate = record.either(
    () => media.rate[direction],
    () => media.explain(direction),
  );
  const { range, note } = randomMarket(path.parts.drive, `iops.${direction}`, record.shopRanges);
  const share = record.given('share of the sequential rate', range, 'ratio', { kind: 'memory', note });
  return record.of(deepShare, { rate, share }, { name });
}

/** Operations a second of a flash drive: its own limit, its latency at this depth, and what the links carry. */
function ofFlash<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  direction: Direction,
  ops: Operations,
  depth: number,
  over: Over<T>,
): T {
  const { drive } = path.parts;
  const name = `${drive.model}, random ${doingOf(direction, over)}`;
  const sheet = direction === 'read' ? drive.randomRead : drive.randomWrite;
  const stated = record.known(`${name}, stated`, sheet, 'IOPS') ?? deepOf(record, path, direction, name);
  const one = flashLatency(record, path, direction, ops);
  const piece = record.given('block', over ? over.piece : ops.block, 'B', AS_ASKED);
  const own = record.of(bounded, { stated, block: piece });
  const oneAtATime = { kind: 'practice', note: 'bulk-only takes one at a time' } as const;
  const shared = over !== null && path.constraints.some((c) => c.id === 'outer');
  return record.of(
    oneWay,
    {
      limit: over ? record.of(membersLimit, { one: own, members: over.members, cost: over.cost }) : own,
      depth: record.given('depth', depth, 'count', depth === ops.depth ? AS_ASKED : oneAtATime),
      latency: over && over.turns.high > 1 ? record.of(inTurns, { latency: one, turns: over.turns }) : one,
      path: flowOf(record, path, direction, shared ? 'beyond bays' : 'links'),
      block: record.given('block', ops.block, 'B', AS_ASKED),
    },
    { name },
  );
}

/** Operations a second in one direction. */
function direct<T extends Spread>(record: Recorder<T>, path: Path, direction: Direction, ops: Operations): T {
  const over = spreadOver(record, ops, direction);
  const depth = isOnUsb(path) && isBulkOnly(path.parts) ? 1 : ops.depth;
  return path.parts.drive.media === 'disk'
    ? ofDisk(record, path, direction, { ...ops, depth }, over)
    : ofFlash(record, path, direction, ops, depth, over);
}

/**
 * Small random operations a second: the drive's limit, its latency at this depth and the path, reads and writes weighted by their time.
 * @throws RangeError when the path is blocked, or for a share, block or depth that cannot be
 */
export function operationsPerSecond<T extends Spread>(record: Recorder<T>, path: Path, ops: Operations): T {
  if (!(ops.reads >= 0 && ops.reads <= 1 && ops.block > 0 && ops.depth >= 1))
    throw new RangeError(
      'Random operations need a share of reads between 0 and 1, a block and a depth of at least 1.',
    );
  if (ops.reads === 1) return direct(record, path, 'read', ops);
  if (ops.reads === 0) return direct(record, path, 'write', ops);
  return record.of(mixed, {
    reads: record.given('share of reads', ops.reads, '%', { kind: 'entered' }),
    read: direct(record, path, 'read', ops),
    write: direct(record, path, 'write', ops),
  });
}

const perBlock = formula({
  name: 'operations a second',
  unit: 'IOPS',
  inputs: { rate: 'random writing past the cache', block: 'block' },
  of: (m, x) => m.div(x.rate, x.block),
});
/** Random writes a second of a flash drive once its cache is used up; null for disks. */
export function behindCache<T extends Spread>(record: Recorder<T>, drive: Drive, block: number): T | null {
  if (drive.media === 'disk') return null;
  const { range, note } = randomMarket(drive, 'random-sustained', record.shopRanges);
  return record.of(
    perBlock,
    {
      rate: record.given('random writing past the cache', range, 'B/s', { kind: 'memory', note }),
      block: record.given('block', block, 'B', { kind: 'entered' }),
    },
    { name: `${drive.model}, random writing past its cache` },
  );
}

/** s a day that operations are waited for. */
export const waitFor = formula({
  name: 'time spent waiting',
  unit: 's',
  inputs: { operations: 'operations a day', rate: 'operations a second' },
  of: (m, x) => m.div(x.operations, x.rate),
});
/** What the wait of a day's scratch work goes by. */
export function waitInputs<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  operations: Fact,
  ops: Operations,
): Record<'operations' | 'rate', T> {
  return {
    operations: record.fact('operations a day', operations, 'count', marketOf(record, 'scratch.operations')),
    rate: operationsPerSecond(record, path, ops),
  };
}

const wornBy = formula({
  name: 'written a day',
  unit: 'B/day',
  inputs: {
    operations: 'operations a day',
    writes: 'share of writes',
    block: 'block',
    amplification: 'write amplification',
  },
  of: (m, x) => m.mul(m.mul(m.mul(x.operations, x.writes), x.block), x.amplification),
});
/** A day's scratch work: operations a second, s spent waiting for the drive, and B written to its cells. */
export function scratchDay<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  operations: Fact,
  ops: Operations,
): { rate: T; wait: T; wear: T } {
  const { operations: count, rate } = waitInputs(record, path, operations, ops);
  const small = 'amplification.small' as const;
  const wear = record.of(wornBy, {
    operations: count,
    writes: record.given('share of writes', 1 - ops.reads, '%', { kind: 'entered' }),
    block: record.given('block', ops.block, 'B', { kind: 'entered' }),
    amplification:
      path.parts.drive.media === 'disk'
        ? record.given(ASSUMPTIONS[small].name, 1, 'ratio', { kind: 'memory', note: 'disks' })
        : assumed(record, small),
  });
  const wait = record.of(waitFor, { operations: count, rate }, { name: 'waiting a day' });
  return { rate, wait, wear };
}
