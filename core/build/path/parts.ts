import type { Bridge, Cable, Connector, Drive, Endpoint, Hop, Host, Port } from '../../catalog/parts';
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
  /** Link the system says was negotiated at the drive's end. */
  seen?: { link: string } | undefined;
  /** Drives of this kind working at once in the bays of the bridge; absent: one. */
  together?: number | undefined;
  /** How requests come; absent: as a system's copy keeps the path full. */
  requests?: Requests | undefined;
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

type End = [name: string, connector: Connector];

/** Plugs and sockets that meet but do not match, in words. */
export function mismatches(parts: PathParts): string[] {
  const { drive, bridge, cable, port, hops = [] } = parts;
  const found: string[] = [];
  const meet = (a: End, b: End) => {
    if (a[1] !== b[1]) found.push(`${a[0]} (${a[1]}) does not go into ${b[0]} (${b[1]})`);
  };
  const joins = (lead: Cable, from: End, to: End) => {
    const [a, b] = lead.ends;
    if (!(a === from[1] && b === to[1]) && !(b === from[1] && a === to[1]))
      found.push(`${lead.name} (${a} to ${b}) does not join ${from[0]} (${from[1]}) and ${to[0]} (${to[1]})`);
  };
  const first = firstPort(parts);
  const driveEnd: End = [drive.model, drive.plug];
  if (bridge) meet(driveEnd, [bridge.model, bridge.socket]);
  const outer: End = bridge ? [bridge.model, bridge.plug] : driveEnd;
  if (cable) joins(cable, outer, [first.name, first.connector]);
  else if (bridge && bridge.kind !== 'adapter') found.push(`${bridge.model} needs a cable to ${first.name}`);
  else meet(outer, [first.name, first.connector]);
  hops.forEach(({ hub, cable: lead }, i) => {
    const next = hops[i + 1];
    const up = next ? portOf(next) : { name: port.position, connector: port.connector };
    joins(lead, [hub.model, hub.plug], [up.name, up.connector]);
  });
  return found;
}
