import * as z from 'zod';
import { Cable } from './cable';
import { Connector, Id, Modes, Name, Watts } from './modes';

/** A hub, a dock's ports or a device that passes the chain on: one uplink, several ports behind it. */
export const Hub = z.object({
  id: Id,
  maker: Name,
  model: Name,
  kind: z.enum(['hub', 'dock', 'daisy']),
  /** Towards the host. */
  plug: Connector,
  up: Modes,
  /** A supply of its own, W; absent: fed by the host. */
  supply: Watts.optional(),
  ports: z
    .array(z.object({ id: Id, position: Name, connector: Connector, modes: Modes, power: Watts.optional() }))
    .min(1)
    .max(32),
});
export type Hub = z.infer<typeof Hub>;

/** What another device on a shared link moves meanwhile. */
export const Busy = z.object({
  name: Name,
  /** As its user sees it: reading runs towards the host. */
  direction: z.enum(['read', 'write']),
  /** B/s it would take; null for all it can get. */
  want: z.number().min(1e3).max(1e12).nullable(),
});
export type Busy = z.infer<typeof Busy>;

/** One step of a chain: a hub, the port of it that is used, the cable from it towards the host, and what else is on it. */
export const Hop = z.object({ hub: Hub, port: Id, cable: Cable, busy: z.array(Busy).max(16).optional() });
export type Hop = z.infer<typeof Hop>;
