import { linkById, modesOf, practicalOf, type Link } from '../../catalog/links';
import { negotiate, type Negotiated, type Participant } from './negotiate';
import { firstPort, isConverting, portOf, type PathParts } from './parts';

/** The links of a path, each negotiated. */
export interface Links {
  /** Drive to bridge, where the bridge turns it into another interface. */
  inner: Negotiated | null;
  /** From the device to the first hub's port or the host's. */
  outer: Negotiated;
  /** From each hub on, in order towards the host. */
  hops: Negotiated[];
}

/** What cable, port and hub's lead are called in a link's reason. */
export const CABLE = 'the cable';
export const PORT = 'the port';
export const hubCable = (i: number): string => `the cable of hub ${i + 1}`;

/** Whether a mode of a port behind a hub gets through the hub's own uplink: USB carries USB only, tunnels carry all. */
function carries(up: Link, mode: string): boolean {
  return up.family !== 'usb' || linkById(mode).family === 'usb';
}

/** What a port behind a hub really offers once the hub's uplink runs as it does. */
function offered(modes: readonly string[], up: Link | null): readonly string[] {
  if (!up) return modes;
  // A port that names a tunnel brings USB 10 Gb/s by its standard.
  const through = modes.flatMap((mode) =>
    carries(up, mode) ? [mode] : linkById(mode).family === 'usb4' ? ['usb-10'] : [],
  );
  return through.length > 0 ? through : modes.filter((mode) => carries(up, mode));
}

/** Negotiates every link, from the host outwards: a hub's ports offer no more than its uplink carries. */
export function negotiateLinks(parts: PathParts): Links {
  const { drive, bridge, cable, port, hops = [] } = parts;
  const up: Negotiated[] = [];
  let above: Link | null = null;
  for (let i = hops.length - 1; i >= 0; i--) {
    const { hub, cable: lead } = hops[i]!;
    const next = hops[i + 1];
    const end: Participant = next
      ? { name: portOf(next).name, modes: offered(portOf(next).modes, above) }
      : { name: PORT, modes: port.modes };
    const found =
      end.modes.length > 0
        ? negotiate([{ name: hub.model, modes: hub.up }, { name: hubCable(i), modes: lead.modes }, end])
        : nothing(end.name);
    up.unshift(found);
    above = found.mode;
  }
  const first = firstPort(parts);
  const near: Participant =
    hops.length > 0
      ? { name: first.name, modes: offered(first.modes, above) }
      : { name: PORT, modes: first.modes };
  const driveEnd = { name: drive.model, modes: drive.modes };
  const lead = cable ? [{ name: CABLE, modes: cable.modes }] : [];
  const converts = isConverting(bridge);
  const inner = converts ? negotiate([driveEnd, { name: bridge!.model, modes: bridge!.inner }]) : null;
  const device: Participant[] = converts
    ? [{ name: bridge!.model, modes: bridge!.outer }]
    : [driveEnd, ...(bridge ? [{ name: bridge.model, modes: bridge.outer }] : [])];
  const all = [...device, ...lead, near];
  const outer = near.modes.length > 0 ? negotiate(all) : nothing(near.name);
  return { inner, outer: asSeen(outer, all, parts.seen), hops: up };
}

/** Link at the host's port: the last hub's, or the device's own. */
export const lastLink = ({ outer, hops }: Links): Negotiated => hops.at(-1) ?? outer;

const nothing = (name: string): Negotiated => ({
  mode: null,
  reason: `${name} offers nothing that its own uplink carries`,
  limiters: [name],
  without: null,
});

const worth = (link: Link) => practicalOf(link, 'read').expected;

/** What the system says was negotiated stands, where it is less than the parts allow and something they could run at all. */
function asSeen(link: Negotiated, all: readonly Participant[], seen: PathParts['seen']): Negotiated {
  if (!seen || !link.mode || !all.every(({ modes }) => modesOf(modes).has(seen.link))) return link;
  const mode = linkById(seen.link);
  if (worth(mode) >= worth(link.mode)) return link;
  return {
    mode,
    limiters: [],
    without: link.mode,
    reason: `negotiated ${mode.name} though all on it can run ${link.mode.name}`,
  };
}
