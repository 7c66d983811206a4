import * as z from 'zod';
import { Capacity, Fact, Rate } from '../../evidence';
import { Connector, Id, Length, Modes, Name, UsbProtocol, Watts } from './modes';

export const Cell = z.enum(['SLC', 'MLC', 'TLC', 'QLC']);
export type Cell = z.infer<typeof Cell>;

/** What a drive draws, in W. */
const Power = z.object({ idle: Watts, read: Watts, write: Watts, start: Watts }).partial();

/** How a flash drive slows itself down when hot: °C, shares of its speed. What is absent is not known. */
const Throttling = z.object({
  kind: z.enum(['hold', 'step']),
  at: z.number().min(30).max(120).optional(),
  until: z.number().min(20).max(120).optional(),
  share: z.number().min(0.01).max(1).optional(),
});

/** Figures that a quiet revision of a model changes under the same name. */
const Revision = z.object({
  name: Name,
  /** What tells it: firmware or part number. */
  known: z.string().max(120),
  write: Rate.optional(),
  rest: Rate.optional(),
  cache: Fact.optional(),
  tbw: Fact.optional(),
});

/**
 * A drive, bare or sealed in a case of its own (then its figures are those of the whole device, and what is inside is not known).
 * Rates in B/s, sizes in B, heights in mm, power in W. What is absent is not known.
 */
export const Drive = z.object({
  id: Id,
  maker: Name,
  model: Name,
  media: z.enum(['flash', 'disk']),
  /** Form factor, with the height where it matters: `M.2 2280`, `2.5-inch, 7 mm`. */
  form: z.string().max(40),
  plug: Connector,
  modes: Modes,
  /** Cells of a flash drive; null for disks and where nobody knows. */
  cell: Cell.nullable(),
  capacity: Capacity,
  /** Sequential reading as stated or observed; a disk's outer tracks. */
  read: Rate,
  /** Sequential writing while the cache lasts: what the box says. */
  write: Rate,
  /** Sequential writing once the cache is used up. */
  rest: Rate,
  /** How much the cache takes, drive empty. */
  cache: Fact,
  /** Rated terabytes written, in B. */
  tbw: Fact,
  warrantyYears: Fact,
  /** Ready-made external drive: not to be opened. */
  sealed: z.boolean().optional(),
  /** Of a sealed drive on USB. */
  protocol: UsbProtocol.optional(),
  /** How a disk's tracks lie. */
  recording: z.enum(['CMR', 'SMR']).optional(),
  /** Spindle speed of a disk, rpm. */
  rpm: z.number().min(1000).max(20_000).optional(),
  /** A disk's innermost tracks as a share of its outermost, 0 to 1, as fitted. */
  innermost: Fact.optional(),
  /** Where a flash drive keeps its map: memory of its own, the host's, or none. */
  map: z.enum(['DRAM', 'HMB', 'none']).optional(),
  key: z.enum(['M', 'B+M', 'B']).optional(),
  /** Chips on one or both sides of an M.2 board. */
  sides: z.union([z.literal(1), z.literal(2)]).optional(),
  height: Length.optional(),
  throttling: Throttling.optional(),
  /** Comes with a heatsink: its height with it. */
  heatsinkHeight: Length.optional(),
  power: Power.optional(),
  /** 4 KiB operations a second as stated. */
  randomRead: Fact.optional(),
  randomWrite: Fact.optional(),
  /** A disk's yearly workload rating, B a day. */
  workload: Fact.optional(),
  /** Mean time between failures, s. */
  mtbf: Fact.optional(),
  revisions: z.array(Revision).max(8).optional(),
  /** Which revision this unit is, where known. */
  revision: Name.optional(),
});
export type Drive = z.infer<typeof Drive>;
