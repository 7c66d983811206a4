import * as z from 'zod';
import { Fact } from '../evidence';
import { Connector, Id, Modes, Name } from './modes';

export const Cell = z.enum(['SLC', 'MLC', 'TLC', 'QLC']);
export type Cell = z.infer<typeof Cell>;

/** A flash drive. Rates in B/s, sizes in B. */
export const Drive = z.object({
  id: Id,
  maker: Name,
  model: Name,
  media: z.literal('flash'),
  form: z.string().max(40),
  plug: Connector,
  modes: Modes,
  cell: Cell.nullable(),
  capacity: Fact,
  /** Sequential reading as stated or observed. */
  read: Fact,
  /** Sequential writing while the cache lasts: what the box says. */
  write: Fact,
  /** Sequential writing once the cache is used up. */
  rest: Fact,
  /** How much the cache takes, drive empty. */
  cache: Fact,
  /** Rated terabytes written, in B. */
  tbw: Fact,
  warrantyYears: Fact,
});
export type Drive = z.infer<typeof Drive>;
