import type { OwnRanges } from '../../catalog/assumptions';
import type { Bridge, Cable, Connector, Drive, Endpoint, Hop, Host, Port } from '../../catalog/parts';
import type { Layout } from '../array/layout';
import type { Negotiated } from './negotiate';
import type { Requests } from './requests';

/** The parts of one path: drive, what it sits in, cable, hubs between, the port of the host, and what stands at the other end. */
export interface PathParts {
  drive: Drive;
  bridge: Bridge | null;
  cable: Cable | null;
  port: Port;
  host: Host;
  /** From the drive towards the host. */
  hops?: readonly Hop[] | undefined;
  /** Absent: the host's built-in drive. */
  endpoint?: Endpoint | undefined;
  /** Nothing is copied from elsewhere or to it: who works on the drive is the machine itself. */
  endsAtHost?: boolean | undefined;
  /** Link the system says was negotiated at the drive's end. */
  seen?: { link: string } | undefined;
  /** Drives of this kind working at once in the bays of the bridge; absent: one. */
  together?: number | undefined;
  /** The drives of the bays as one; then `together` does not count. */
  array?: Layout | undefined;
  /** How requests come; absent: as a system's copy keeps the path full. */
  requests?: Requests | undefined;
  /** The shop's own ranges in place of what is assumed. */
  shopRanges?: OwnRanges | undefined;
}

/** Whether the drive's link ends in the bridge: it turns the interface into another one, or has a switch of its own. */
export function isConverting(bridge: Bridge | null): boolean {
  return bridge !== null && (!bridge.passThrough || bridge.card?.splitting === 'switch');
}

/** Where the device's cable goes: the first hub's port, or the host's. */
export function firstPort({ hops, port }: PathParts): {
  name: string;
  connector: Connector;
  modes: readonly string[];
} {
  const hop = hops?.[0];
  return hop ? portOf(hop) : { name: port.position, connector: port.connector, modes: port.modes };
}

/** The hub's port a hop uses. @throws RangeError when the hub has none of that id */
export function portOf(hop: Hop): {
  name: string;
  connector: Connector;
  modes: readonly string[];
  power?: number | undefined;
} {
  const port = hop.hub.ports.find((p) => p.id === hop.port);
  if (!port) throw new RangeError(`"${hop.port}" is no port of ${hop.hub.model}.`);
  return {
    name: `${hop.hub.model}, ${port.position}`,
    connector: port.connector,
    modes: port.modes,
    power: port.power,
  };
}

/** A plug or socket, and what it belongs to. */
interface End {
  name: string;
  connector: Connector;
}

/** Why nothing flows at a place. */
export type Blocker =
  | { id: 'plug'; a: End; b: End }
  | { id: 'lead'; cable: Cable; a: End; b: End }
  | { id: 'no cable'; box: string; to: string }
  | { id: 'no mode'; link: Negotiated };

/** Plugs and sockets that meet but do not match. */
export function mismatches(parts: PathParts): Blocker[] {
  const { drive, bridge, cable, port, hops = [] } = parts;
  const found: Blocker[] = [];
  const meet = (a: End, b: End) => {
    if (a.connector !== b.connector) found.push({ id: 'plug', a, b });
  };
  const joins = (lead: Cable, a: End, b: End) => {
    const [one, two] = lead.ends;
    const fits = (one === a.connector && two === b.connector) || (two === a.connector && one === b.connector);
    if (!fits) found.push({ id: 'lead', cable: lead, a, b });
  };
  const first = firstPort(parts);
  const driveEnd: End = { name: drive.model, connector: drive.plug };
  if (bridge) meet(driveEnd, { name: bridge.model, connector: bridge.socket });
  const outer: End = bridge ? { name: bridge.model, connector: bridge.plug } : driveEnd;
  if (cable) joins(cable, outer, first);
  else if (bridge && bridge.kind !== 'adapter')
    found.push({ id: 'no cable', box: bridge.model, to: first.name });
  else meet(outer, first);
  hops.forEach(({ hub, cable: lead }, i) => {
    const next = hops[i + 1];
    const up: End = next ? portOf(next) : { name: port.position, connector: port.connector };
    joins(lead, { name: hub.model, connector: hub.plug }, up);
  });
  return found;
}
