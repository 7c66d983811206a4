import { expectedRate, linkById, modesOf, type Link } from '../../catalog/links';
import { negotiate, type Negotiated, type Participant, type ParticipantId } from './negotiate';
import { firstPort, isConverting, portOf, type PathParts } from './parts';

/** The links of a path, each negotiated. */
export interface Links {
  /** Drive to bridge, where the bridge turns it into another interface. */
  inner: Negotiated<ParticipantId> | null;
  /** From the device to the first hub's port or the host's. */
  outer: Negotiated<ParticipantId>;
  /** From each hub on, in order towards the host. */
  hops: Negotiated<ParticipantId>[];
}

type Taking = Participant<ParticipantId>;
const CABLE = { id: 'cable', name: 'the cable' } as const;
const PORT = { id: 'port', name: 'the port' } as const;
const hubCable = (i: number) => ({ id: `hub-${i}-cable`, name: `the cable of hub ${i + 1}` }) as const;

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
  const up: Negotiated<ParticipantId>[] = [];
  let above: Link | null = null;
  for (let i = hops.length - 1; i >= 0; i--) {
    const { hub, cable: lead } = hops[i]!;
    const next = hops[i + 1];
    const end: Taking = next
      ? { id: `hub-${i + 1}`, name: portOf(next).name, modes: offered(portOf(next).modes, above) }
      : { ...PORT, modes: port.modes };
    const own: Taking = { id: `hub-${i}`, name: hub.model, modes: hub.up };
    const found =
      end.modes.length > 0 ? negotiate([own, { ...hubCable(i), modes: lead.modes }, end]) : nothing(end);
    up.unshift(found);
    above = found.mode;
  }
  const first = firstPort(parts);
  const near: Taking =
    hops.length > 0
      ? { id: 'hub-0', name: first.name, modes: offered(first.modes, above) }
      : { ...PORT, modes: first.modes };
  const driveEnd: Taking = { id: 'drive', name: drive.model, modes: drive.modes };
  const lead: Taking[] = cable ? [{ ...CABLE, modes: cable.modes }] : [];
  const box = (modes: readonly string[]): Taking[] =>
    bridge ? [{ id: 'bridge', name: bridge.model, modes }] : [];
  const converts = isConverting(bridge);
  const inner = converts ? negotiate([driveEnd, ...box(bridge!.inner)]) : null;
  const all = [...(converts ? [] : [driveEnd]), ...box(bridge?.outer ?? []), ...lead, near];
  const outer = near.modes.length > 0 ? negotiate(all) : nothing(near);
  return { inner, outer: asSeen(outer, all, parts.seen), hops: up };
}

/** Link at the host's port: the last hub's, or the device's own. */
export const lastLink = ({ outer, hops }: Links): Negotiated<ParticipantId> => hops.at(-1) ?? outer;

const nothing = (end: Taking): Negotiated<ParticipantId> => ({
  mode: null,
  why: { id: 'nothing offered', by: end.name },
  participants: [end],
  limiters: [end.id],
  without: null,
});

/** What the system says was negotiated stands, where it is less than the parts allow and something they could run at all. */
function asSeen(
  link: Negotiated<ParticipantId>,
  all: readonly Taking[],
  seen: PathParts['seen'],
): Negotiated<ParticipantId> {
  if (!seen || !link.mode || !all.every(({ modes }) => modesOf(modes).has(seen.link))) return link;
  const mode = linkById(seen.link);
  if (expectedRate(mode) >= expectedRate(link.mode)) return link;
  return { ...link, mode, limiters: [], without: link.mode, why: { id: 'seen' } };
}
