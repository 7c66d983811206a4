import * as z from 'zod';
import { Fact } from '../evidence';
import { Connector, Id, Modes, Name } from './modes';

export const Port = z.object({
  id: Id,
  /** Where it is, in words a customer finds: "left side, nearest the hinge". */
  position: Name,
  connector: Connector,
  modes: Modes,
});
export type Port = z.infer<typeof Port>;

/** A customer's machine, or the bench's. */
export const Host = z.object({
  id: Id,
  name: Name,
  system: z.string().max(120),
  ports: z.array(Port).min(1, { error: 'a host needs at least one port or slot' }).max(64),
  /** The built-in drive: the other end of most copies. */
  storage: z.object({ name: Name, read: Fact, write: Fact }),
});
export type Host = z.infer<typeof Host>;
