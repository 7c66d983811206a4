import * as z from 'zod';
import { Capacity, Fact, Rate } from '../../evidence';
import { askedFor, asks } from '../../units';
import { Connector, Id, Length, Modes, Name, UsbProtocol, Watts } from './modes';

export const Cell = z.enum(['SLC', 'MLC', 'TLC', 'QLC']);
export type Cell = z.infer<typeof Cell>;

/** What a drive draws, in W. */
const Power = askedFor({
  idle: asks('Idle', Watts.optional(), 'power'),
  read: asks('Reading', Watts.optional(), 'power'),
  write: asks('Writing', Watts.optional(), 'power'),
  start: asks('Starting', Watts.optional(), 'power'),
});

/** How a flash drive slows itself down when hot: °C, shares of its speed. What is absent is not known. */
const Throttling = askedFor({
  kind: asks('Held at a temperature, or in steps', z.enum(['hold', 'step'])),
  at: asks('From', z.number().min(30).max(120).optional(), { of: '°C' }),
  until: asks('Faster again at', z.number().min(20).max(120).optional(), { of: '°C' }),
  share: asks('Least share of its speed', z.number().min(0.01).max(1).optional(), { of: '0 to 1' }),
});

/** Figures that a quiet revision of a model changes under the same name. */
const Revision = askedFor({
  name: asks('Name', Name),
  /** What tells it: firmware or part number. */
  known: asks('Told by', z.string().max(120)),
  write: asks('Writes at, in cache', Rate.optional(), 'rate'),
  rest: asks('Sustained writing (post-cache)', Rate.optional(), 'rate'),
  cache: asks('Cache takes', Fact.optional(), 'bytes'),
  tbw: asks('Rated writes (TBW)', Fact.optional(), 'bytes'),
});

/**
 * A drive, bare or sealed in a case of its own (then its figures are those of the whole device, and what is inside is not known).
 * Rates in B/s, sizes in B, heights in mm, power in W. What is absent is not known.
 */
export const Drive = askedFor({
  id: asks('Id', Id),
  maker: asks('Maker', Name),
  model: asks('Model', Name),
  media: asks('Medium', z.enum(['flash', 'disk'])),
  /** Form factor, with the height where it matters: `M.2 2280`, `2.5-inch, 7 mm`. */
  form: asks('Form factor', z.string().max(40)),
  plug: asks('Plug', Connector),
  modes: asks('Modes', Modes),
  /** Cells of a flash drive; null for disks and where nobody knows. */
  cell: asks('Cell type', Cell.nullable()),
  capacity: asks('Capacity', Capacity, 'bytes'),
  /** Sequential reading as stated or observed; a disk's outer tracks. */
  read: asks('Reads at', Rate, 'rate'),
  /** Sequential writing while the cache lasts: what the box says. */
  write: asks('Writes at, in cache', Rate, 'rate'),
  /** Sequential writing once the cache is used up. */
  rest: asks('Sustained writing (post-cache)', Rate, {
    dimension: 'rate',
    was: ['Writes at, cache used up'],
  }),
  /** How much the cache takes, drive empty. */
  cache: asks('Cache takes', Fact, 'bytes'),
  /** Rated terabytes written, in B. */
  tbw: asks('Rated writes (TBW)', Fact, 'bytes'),
  warrantyYears: asks('Warranty, years', Fact, 'count'),
  /** Ready-made external drive: not to be opened. */
  sealed: asks('Sealed', z.boolean().optional()),
  /** Of a sealed drive on USB. */
  protocol: asks('USB protocol', UsbProtocol.optional()),
  /** How a disk's tracks lie. */
  recording: asks('Recording', z.enum(['CMR', 'SMR']).optional()),
  /** Spindle speed of a disk, rpm. */
  rpm: asks('Spindle speed', z.number().min(1000).max(20_000).optional(), {
    of: 'rpm',
    was: ['Turns a minute'],
  }),
  /** A disk's innermost tracks as a share of its outermost, 0 to 1, as fitted. */
  innermost: asks('Innermost tracks, share of the outermost', Fact.optional(), 'percent'),
  /** Where a flash drive keeps its map: memory of its own, the host's, or none. */
  map: asks('Mapping table in', z.enum(['DRAM', 'HMB', 'none']).optional(), { was: ['Map kept in'] }),
  key: asks('M.2 key', z.enum(['M', 'B+M', 'B']).optional()),
  /** Chips on one or both sides of an M.2 board. */
  sides: asks('Sides with chips', z.union([z.literal(1), z.literal(2)]).optional()),
  height: asks('Height', Length.optional(), 'length'),
  throttling: asks('Slows itself down when hot', Throttling.optional()),
  /** Comes with a heatsink: its height with it. */
  heatsinkHeight: asks('Height with heatsink', Length.optional(), 'length'),
  power: asks('Power', Power.optional()),
  /** 4 KiB operations a second as stated. */
  randomRead: asks('Random reads, 4 KiB', Fact.optional(), 'iops'),
  randomWrite: asks('Random writes, 4 KiB', Fact.optional(), 'iops'),
  /** A disk's yearly workload rating, B a day. */
  workload: asks('Workload rating', Fact.optional(), 'perDay'),
  /** Mean time between failures, s. */
  mtbf: asks('Mean time between failures', Fact.optional(), 'time'),
  revisions: asks('Revisions under this name', z.array(Revision).max(8).optional()),
  /** Which revision this unit is, where known. */
  revision: asks('Revision of this unit', Name.optional()),
});
export type Drive = z.infer<typeof Drive>;
