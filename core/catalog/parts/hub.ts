import * as z from 'zod';
import { askedFor, asks } from '../../units';
import { Cable } from './cable';
import { Connector, Id, Modes, Name, Watts } from './modes';

/** A port towards the drive. */
const HubPort = askedFor({
  id: asks('Id', Id),
  position: asks('Where', Name),
  connector: asks('Shape', Connector),
  modes: asks('Can do', Modes),
  power: asks('Supplies', Watts.optional(), 'power'),
});

/** A hub, a dock's ports or a device that passes the chain on: one uplink, several ports behind it. */
export const Hub = askedFor({
  id: asks('Id', Id),
  maker: asks('Maker', Name),
  model: asks('Model', Name),
  kind: asks('Kind', z.enum(['hub', 'dock', 'daisy'])),
  /** Towards the host. */
  plug: asks('Plug', Connector),
  up: asks('Modes towards the host', Modes),
  /** A supply of its own, W; absent: fed by the host. */
  supply: asks('Own supply', Watts.optional(), 'power'),
  ports: asks('Ports', z.array(HubPort).min(1).max(32)),
});
export type Hub = z.infer<typeof Hub>;

/** What another device on a shared link moves meanwhile. */
export const Busy = askedFor({
  name: asks('Name', Name),
  /** As its user sees it: reading runs towards the host. */
  direction: asks('Direction', z.enum(['read', 'write'])),
  /** B/s it would take; null for all it can get. */
  want: asks('Would take', z.number().min(1e3).max(1e12).nullable(), 'rate'),
});
export type Busy = z.infer<typeof Busy>;

/** One step of a chain: a hub, the port of it that is used, the cable from it towards the host, and what else is on it. */
export const Hop = z.object({ hub: Hub, port: Id, cable: Cable, busy: z.array(Busy).max(16).optional() });
export type Hop = z.infer<typeof Hop>;
