import * as z from 'zod';
import { Fact } from '../evidence';
import { Connector, Id, Modes, Name } from './modes';

/**
 * What stands between drive and host: an enclosure that turns the drive's interface into another one, or a card or adapter
 * that passes the lanes through (`passThrough`: then `outer` are the lanes it is wired for).
 */
export const Bridge = z.object({
  id: Id,
  maker: Name,
  model: Name,
  kind: z.enum(['enclosure', 'adapter']),
  passThrough: z.boolean(),
  /** Towards the drive. */
  socket: Connector,
  inner: Modes,
  /** Towards the host. */
  plug: Connector,
  outer: Modes,
  /** Stated caps of the bridge chip, apart for each direction; not hard. */
  read: Fact.nullable(),
  write: Fact.nullable(),
  /** How blocks travel over USB; null where that does not apply. */
  protocol: z.enum(['uas', 'bulk-only']).nullable(),
});
export type Bridge = z.infer<typeof Bridge>;
