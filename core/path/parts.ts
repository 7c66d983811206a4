import type { Bridge, Cable, Connector, Drive, Host, Port } from '../parts';

/** The parts of one path: drive, what it sits in, cable, and the port of the host. */
export interface PathParts {
  drive: Drive;
  bridge: Bridge | null;
  cable: Cable | null;
  port: Port;
  host: Host;
}

/** Plugs and sockets that meet but do not match, in words. */
export function mismatches({ drive, bridge, cable, port }: PathParts): string[] {
  const found: string[] = [];
  const meet = (a: [string, Connector], b: [string, Connector]) => {
    if (a[1] !== b[1]) found.push(`${a[0]} (${a[1]}) does not go into ${b[0]} (${b[1]})`);
  };
  const driveEnd: [string, Connector] = [drive.model, drive.plug];
  const portEnd: [string, Connector] = [port.position, port.connector];
  if (bridge) meet(driveEnd, [bridge.model, bridge.socket]);
  const outer: [string, Connector] = bridge ? [bridge.model, bridge.plug] : driveEnd;
  if (!cable) {
    if (bridge?.kind === 'enclosure') found.push(`${bridge.model} needs a cable to ${port.position}`);
    else meet(outer, portEnd);
    return found;
  }
  const [a, b] = cable.ends;
  const straight = a === outer[1] && b === portEnd[1];
  const turned = b === outer[1] && a === portEnd[1];
  if (!straight && !turned) found.push(`${cable.name} (${a} to ${b}) does not join ${outer[0]} (${outer[1]}) and ${portEnd[0]} (${portEnd[1]})`);
  return found;
}
