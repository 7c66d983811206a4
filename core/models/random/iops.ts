import { exactly, spread, type Spread } from '../../stats';
import { operationsFor, randomMembers, STRIP, type Layout } from '../arrays';
import { formula, fromFact, given, type Estimate, type Fact } from '../../evidence';
import type { Direction } from '../../catalog/links';
import type { Drive } from '../../catalog/parts';
import { explainFlow, interfaceOf, isBulkOnly, type Path } from '../../build/path';

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

/** What drives reach where their sheet is silent, operations a second of 4 KiB [memory]. */
const LIMIT: Record<'pcie' | 'sata', Record<Direction, Spread>> = {
  pcie: { read: spread(80e3, 300e3, 900e3), write: spread(60e3, 250e3, 900e3) },
  sata: { read: spread(30e3, 75e3, 98e3), write: spread(20e3, 60e3, 90e3) },
};
/** s from asking to the answer, drive and system [memory]: a flash read waits for its cells, a write only for the drive's own memory. */
const LATENCY: Record<'pcie' | 'sata', Record<Direction, Spread>> = {
  pcie: { read: spread(45e-6, 75e-6, 130e-6), write: spread(15e-6, 28e-6, 60e-6) },
  sata: { read: spread(80e-6, 120e-6, 200e-6), write: spread(40e-6, 70e-6, 140e-6) },
};
/** What a USB bridge adds, s [practice]. */
const BRIDGE: Spread = spread(50e-6, 100e-6, 150e-6);
/** Another reading of cells where the map of an address is not at hand, s [memory]. */
const MAP_READ: Spread = spread(40e-6, 65e-6, 110e-6);
/** B whose map is at hand: 1 MB of map for 1 GB; the host's memory lends some tens of MB, a drive without either holds a little in its chip [memory]. */
const COVERED: Record<'DRAM' | 'HMB' | 'none' | 'unknown', Spread> = {
  DRAM: exactly(1e15),
  HMB: spread(24e9, 48e9, 96e9),
  none: spread(0.5e9, 2e9, 8e9),
  unknown: spread(1e9, 60e9, 1e13),
};
/** What a write waits for until it is safe, s [memory]; drives that survive a power cut answer at once. */
const FLUSH: Spread = spread(0.2e-3, 1e-3, 4e-3);
/** B/s of random writes once the cache is used up [practice]: 10 MB/s where others hold 100 to 300. */
export const COLLAPSED: Spread = spread(10e6, 80e6, 300e6);
/** Average seek of a disk, s [practice]. */
const SEEK: Spread = spread(7e-3, 9e-3, 13e-3);
/** How much a disk gains by sorting what is under way, for each doubling of the depth [memory]; how much its own memory helps writes [practice]. */
const SORTING = 0.2;
const DISK_WRITES: Spread = spread(1, 1.8, 3.5);
/** B an activity is spread over where nobody knows [memory]. */
const SPAN = { range: spread(5e9, 50e9, 400e9), note: 'what programs keep at work' };

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

/** Half a turn of a disk, s: 30 ÷ turns a minute. */
export const halfTurn = (rpm: number): number => 30 / rpm;

/** What an array makes of operations in one direction; null for one drive. */
function spreadOver({ array, block }: Operations, direction: Direction) {
  if (!array || array.mode === 'single') return null;
  const note = `${array.mode} of ${array.members}`;
  const by = (name: string, value: number | Spread) =>
    given(name, value, 'count', { kind: 'practice', note });
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

/** Operations a second in one direction. */
function direct(path: Path, direction: Direction, ops: Operations): Estimate {
  const { drive } = path.parts;
  const usb = path.outer.mode?.family === 'usb';
  const depth = usb && isBulkOnly(path.parts) ? 1 : ops.depth;
  const asSaid = { kind: 'entered' } as const;
  const over = spreadOver(ops, direction);
  const doing = `${direction === 'read' ? 'reading' : 'writing'}${over ? `, ${over.note}` : ''}`;
  if (drive.media === 'disk') {
    const rpm = drive.rpm ?? 7200;
    const each = Math.max(1, depth / (over?.members.expected ?? 1));
    const gain = given('gain by sorting what is under way', 1 + SORTING * Math.log2(each), 'ratio', {
      kind: 'memory',
      note: `depth ${Math.round(each * 10) / 10}`,
    });
    const moving = {
      seek: given('seek', SEEK, 's', { kind: 'practice' }),
      turn: given(
        'half a turn',
        halfTurn(rpm),
        's',
        drive.rpm
          ? { kind: 'sheet', note: `${rpm} turns a minute` }
          : { kind: 'unknown', note: '7,200 turns a minute assumed' },
      ),
    };
    const name = { name: `${drive.model}, random ${doing}` };
    const seeking = over
      ? disksLimit.explain(
          {
            members: over.members,
            gain,
            cost: over.cost,
            depth: given('depth', depth, 'count', asSaid),
            turns: over.turns,
            ...moving,
          },
          name,
        )
      : diskLimit.explain({ gain, ...moving }, name);
    return direction === 'write' && !ops.synchronous
      ? times.explain(
          { a: seeking, b: given('help of its own memory', DISK_WRITES, 'ratio', { kind: 'practice' }) },
          { name: `${drive.model}, random writing` },
        )
      : seeking;
  }
  const way = interfaceOf(drive);
  const stated =
    fromFact(
      `${drive.model}, random ${doing}, stated`,
      direction === 'read' ? drive.randomRead : drive.randomWrite,
      'IOPS',
    ) ??
    given(`${drive.model}, random ${doing}`, LIMIT[way][direction], 'IOPS', {
      kind: 'unknown',
      note: `drives on ${way === 'pcie' ? 'PCIe' : 'SATA'}, from memory`,
    });
  const span = fromFact('span', ops.span, 'B', SPAN)!;
  const covered = given(
    'covered by the map at hand',
    COVERED[drive.map ?? 'unknown'],
    'B',
    drive.map
      ? {
          kind: 'memory',
          note:
            drive.map === 'HMB'
              ? 'map in the host’s memory'
              : drive.map === 'DRAM'
                ? 'map in memory of its own'
                : 'no memory for the map',
        }
      : { kind: 'unknown' },
  );
  const one = latencyOf.explain({
    own: given('drive and system', LATENCY[way][direction], 's', { kind: 'memory' }),
    bridge: given('bridge', usb ? BRIDGE : exactly(0), 's', { kind: 'practice' }),
    misses: misses.explain({ covered, span }),
    map: given('reading of the map', MAP_READ, 's', { kind: 'memory' }),
    safe: given('until it is safe', direction === 'write' && ops.synchronous ? FLUSH : exactly(0), 's', {
      kind: 'memory',
      note: direction === 'write' && ops.synchronous ? 'synchronous writes' : 'not waited for',
    }),
  });
  const own = bounded.explain({ stated, block: given('block', over ? over.piece : ops.block, 'B', asSaid) });
  return oneWay.explain(
    {
      limit: over ? membersLimit.explain({ one: own, members: over.members, cost: over.cost }) : own,
      depth: given(
        'depth',
        depth,
        'count',
        depth === ops.depth ? asSaid : { kind: 'practice', note: 'bulk-only takes one at a time' },
      ),
      latency: over && over.turns.high > 1 ? inTurns.explain({ latency: one, turns: over.turns }) : one,
      path: explainFlow(
        path,
        direction,
        over && path.constraints.some((c) => c.id === 'outer') ? 'beyond bays' : 'links',
      ),
      block: given('block', ops.block, 'B', asSaid),
    },
    { name: `${drive.model}, random ${doing}` },
  );
}

/**
 * Small random operations a second: the drive's limit, its latency at this depth and the path, reads and writes weighted by their time.
 * @throws RangeError when the path is blocked, or for a share, block or depth that cannot be
 */
export function operationsPerSecond(path: Path, ops: Operations): Estimate {
  if (!(ops.reads >= 0 && ops.reads <= 1 && ops.block > 0 && ops.depth >= 1))
    throw new RangeError(
      'Random operations need a share of reads between 0 and 1, a block and a depth of at least 1.',
    );
  if (ops.reads === 1) return direct(path, 'read', ops);
  if (ops.reads === 0) return direct(path, 'write', ops);
  return mixed.explain({
    reads: given('share of reads', ops.reads, '%', { kind: 'entered' }),
    read: direct(path, 'read', ops),
    write: direct(path, 'write', ops),
  });
}

const perBlock = formula({
  name: 'operations a second',
  unit: 'IOPS',
  inputs: { rate: 'random writing behind the cache', block: 'block' },
  of: (m, x) => m.div(x.rate, x.block),
});
/** Random writes a second of a flash drive once its cache is used up; null for disks. */
export function behindCache(drive: Drive, block: number): Estimate | null {
  if (drive.media === 'disk') return null;
  return perBlock.explain(
    {
      rate: given('random writing behind the cache', COLLAPSED, 'B/s', {
        kind: 'practice',
        note: '10 MB/s where others hold 100 to 300',
      }),
      block: given('block', block, 'B', { kind: 'entered' }),
    },
    { name: `${drive.model}, random writing behind its cache` },
  );
}

const waitFor = formula({
  name: 'time spent waiting',
  unit: 's',
  inputs: { operations: 'operations a day', rate: 'operations a second' },
  of: (m, x) => m.div(x.operations, x.rate),
});
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
/** Operations a day where nobody counted [memory], and what small random writes cost the cells beside their own bytes [memory]. */
const A_DAY = { range: spread(1e5, 1e6, 2e7), note: 'programs at work' };
const AMPLIFICATION: Spread = spread(1, 1.5, 3);

/** A day's scratch work: s spent waiting for the drive, and B written to its cells. */
export function scratchDay(
  path: Path,
  operations: Fact,
  ops: Operations,
): { rate: Estimate; wait: Estimate; wear: Estimate } {
  const rate = operationsPerSecond(path, ops);
  const count = fromFact('operations a day', operations, 'count', A_DAY)!;
  const wear = wornBy.explain({
    operations: count,
    writes: given('share of writes', 1 - ops.reads, '%', { kind: 'entered' }),
    block: given('block', ops.block, 'B', { kind: 'entered' }),
    amplification: given(
      'write amplification of small writes',
      path.parts.drive.media === 'disk' ? exactly(1) : AMPLIFICATION,
      'ratio',
      { kind: 'memory' },
    ),
  });
  return { rate, wait: waitFor.explain({ operations: count, rate }, { name: 'waiting a day' }), wear };
}
