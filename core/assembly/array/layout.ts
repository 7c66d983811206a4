import { spread, type Spread } from '../../stats';
import { formula } from '../../evidence';
import type { ArrayMode } from '../../catalog/parts';

/** Several drives as one: how they are put together, how many, and who makes it. */
export interface Layout {
  mode: ArrayMode;
  members: number;
  by: 'firmware' | 'system';
  /** B that one member holds before the next has its turn; absent: not known. */
  strip?: number | undefined;
}

type Way = Pick<Layout, 'mode' | 'members'>;

/** Fewest drives a mode needs, and whether the number must be even. */
const NEEDS: Record<ArrayMode, { least: number; even?: boolean }> = {
  single: { least: 1 },
  stripe: { least: 2 },
  mirror: { least: 2 },
  concatenation: { least: 2 },
  parity: { least: 3 },
  'double parity': { least: 4 },
  'stripe of mirrors': { least: 4, even: true },
};

/** Fewest drives that make an array of that kind. */
export const leastMembers = (mode: ArrayMode): number => NEEDS[mode].least;

/** Why so many drives make no array of that kind; null when they do. */
export function cannot({ mode, members }: Way): string | null {
  const { least, even } = NEEDS[mode];
  if (members < least) return `A ${mode} needs at least ${least} drives; there are ${members}.`;
  return even && members % 2 === 1 ? `A ${mode} needs an even number of drives; there are ${members}.` : null;
}

/** Members' worth of data that it holds. */
export function dataMembers({ mode, members: n }: Way): number {
  switch (mode) {
    case 'single':
      return 1;
    case 'stripe':
    case 'concatenation':
      return n;
    case 'mirror':
      return 1;
    case 'parity':
      return n - 1;
    case 'double parity':
      return n - 2;
    case 'stripe of mirrors':
      return n / 2;
  }
}

/** How many members may fail, whichever they are, before data is lost. */
export const survives = ({ mode, members }: Way): number =>
  ({
    single: 0,
    stripe: 0,
    concatenation: 0,
    mirror: members - 1,
    parity: 1,
    'double parity': 2,
    'stripe of mirrors': 1,
  })[mode];

/**
 * How many members' rates a long stream gets. A stripe runs on all; parity takes one or two away; a mirror writes as one and reads as one to all,
 * as its maker pleases [practice].
 */
export function streamMembers(layout: Way, direction: 'read' | 'write'): Spread {
  const { mode, members: n } = layout;
  const just = (x: number) => spread(x, x, x);
  if (mode === 'concatenation') return just(1);
  if (mode === 'mirror') return direction === 'write' ? just(1) : spread(1, 1, n);
  if (mode === 'stripe of mirrors') return direction === 'write' ? just(n / 2) : spread(n / 2, n / 2, n);
  return just(dataMembers(layout));
}

/** Strips in use where nobody says, B [practice]. */
export const STRIP = { usual: 1 << 17, all: [1 << 16, 1 << 17, 1 << 18, 1 << 19] };

/** Whether a block covers whole stripes, so that parity needs nothing read before. */
const isWhole = ({ mode, members }: Way, block: number, strip: number): boolean =>
  block >= strip * dataMembers({ mode, members });

/** Members' operations that one of the user's costs, by the strips it touches: with parity the old data and parity are read before the new are written. */
function operationsAt(way: Way, block: number, direction: 'read' | 'write', strip: number): number {
  const { mode, members: n } = way;
  const touched = Math.max(1, Math.ceil(block / strip));
  if (mode === 'single' || mode === 'concatenation') return 1;
  if (mode === 'mirror') return direction === 'read' ? 1 : n;
  if (direction === 'read' || mode === 'stripe') return touched;
  if (mode === 'stripe of mirrors') return 2 * touched;
  const parities = mode === 'parity' ? 1 : 2;
  if (isWhole(way, block, strip)) return touched + parities * Math.ceil(touched / dataMembers(way));
  const small = 2 * (1 + parities);
  // Where most of a stripe changes, what does not is read instead: no more than each member once.
  return Math.max(small, Math.min(2 * (touched + parities), n));
}

/**
 * Members' operations that one of the user's costs, and how many of them one after another.
 * @param block B of the user's operation
 */
export function operationsFor(
  { strip, ...way }: Layout,
  block: number,
  direction: 'read' | 'write',
): { operations: Spread; turns: Spread } {
  const turnsAt = (s: number) =>
    direction === 'write' &&
    (way.mode === 'parity' || way.mode === 'double parity') &&
    !isWhole(way, block, s)
      ? 2
      : 1;
  const strips = strip === undefined ? STRIP.all : [strip];
  const over = (of: (strip: number) => number): Spread => {
    const all = strips.map(of);
    return spread(Math.min(...all), of(strip ?? STRIP.usual), Math.max(...all));
  };
  return { operations: over((s) => operationsAt(way, block, direction, s)), turns: over(turnsAt) };
}

/** Device operations of a write smaller than a strip. */
export const smallWriteCost = (way: Way): number => operationsAt(way, 1, 'write', 2);

/** Members that small operations at random places are spread over, with enough of them under way: a chain of drives fills one after the other. */
export function randomMembers({ mode, members: n }: Way): Spread {
  return mode === 'single' ? spread(1, 1, 1) : mode === 'concatenation' ? spread(1, 1, n) : spread(n, n, n);
}

/** Bytes written to all members for each byte of the user's: full stripes, or writes smaller than a strip. */
export function writeMultiple({ mode, members: n }: Way, small: boolean): number {
  if (mode === 'mirror') return n;
  if (mode === 'stripe of mirrors') return 2;
  if (mode === 'parity') return small ? 2 : n / (n - 1);
  if (mode === 'double parity') return small ? 3 : n / (n - 2);
  return 1;
}

/**
 * Share of what crosses a link to the members that is the user's own data. Made by the system, redundancy crosses it when writing; made by the
 * box, only data does. Reading an intact array moves data only.
 */
export const sharedOf = (layout: Layout, direction: 'read' | 'write'): number =>
  layout.by === 'firmware' || direction === 'read' ? 1 : 1 / writeMultiple(layout, false);

/** Links as seen through the array's layer, where redundancy crosses them too. */
export const throughRedundancy = formula({
  name: 'links through the array’s layer',
  unit: 'B/s',
  inputs: {
    links: 'links',
    data: 'share of it that is data',
    kept: 'share that the parity keeps',
    cost: 'cost of a byte in the array’s layer',
  },
  of: (m, x) => m.div(m.num(1), m.add(m.div(m.num(1), m.mul(m.mul(x.links, x.data), x.kept)), x.cost)),
});

/** Links as seen through the array's layer. */
export const throughArray = formula({
  name: 'links through the array’s layer',
  unit: 'B/s',
  inputs: { links: 'links', cost: 'cost of a byte in the array’s layer' },
  of: (m, x) => m.div(m.num(1), m.add(m.div(m.num(1), x.links), x.cost)),
});

/** Whether a stream has its redundancy worked out on the way. */
export const makesParity = ({ mode }: Way, direction: 'read' | 'write'): boolean =>
  direction === 'write' && (mode === 'parity' || mode === 'double parity');

/** Members' rates together. */
export const membersTogether = formula({
  name: 'members together',
  unit: 'B/s',
  inputs: { member: 'one member', count: 'members that carry the stream' },
  of: (m, x) => m.mul(x.member, x.count),
});

/** Usable bytes. */
export const usable = formula({
  name: 'usable capacity',
  unit: 'B',
  inputs: { member: 'capacity of a member', data: 'members’ worth of data' },
  of: (m, x) => m.mul(x.member, x.data),
});
