import { exactly, spread } from '../../stats';
import { ceilingOf, linkById, practicalOf, type Direction, type Link } from '../../catalog/links';
import type { Busy } from '../../catalog/parts';
import { isBulkOnly } from './depth';
import {
  behind,
  both,
  linkConstraint,
  partConstraint,
  sharedConstraint,
  systemConstraint,
  type Constraint,
  type Crowd,
} from './constraint';
import type { Links } from './links';
import type { Negotiated } from './negotiate';
import { isConverting, type PathParts } from './parts';

/** A built-in drive nobody knows [memory]. */
const BUILT_IN = { read: spread(100e6, 500e6, 3000e6), write: spread(100e6, 500e6, 5000e6) };

/** Every constraint of a path, from the media to the other end. */
export function collect(parts: PathParts, links: Links): Constraint[] {
  const { drive, bridge, host, port, hops = [], endpoint } = parts;
  const { inner, outer } = links;
  const found: Constraint[] = [
    partConstraint(
      'media',
      drive.model,
      { read: drive.read, write: drive.write },
      both((d) => behind((inner ?? outer).mode, d)),
    ),
  ];
  if (inner?.mode) found.push(linkConstraint('inner', { ...inner, mode: inner.mode }));
  const splits = bridge !== null && !isConverting(bridge);
  const shared = (constraint: Constraint, duplex: boolean, neighbours: readonly Busy[], twice = false) =>
    sharedConstraint(
      constraint,
      both((d) => crowd(parts, d, duplex, neighbours, twice)),
    );
  const whole = (link: Link | null) => !link?.halfDuplex;
  if (bridge && (bridge.read?.value != null || bridge.write?.value != null))
    // Where only one direction is stated, the other is held by its link alone.
    found.push(
      shared(
        partConstraint(
          'bridge',
          bridge.model,
          { read: bridge.read, write: bridge.write },
          both(() => exactly(outer.mode ? ceilingOf(outer.mode) : 0)),
          'no figure of its own: the ceiling of its link',
        ),
        true,
        [],
      ),
    );

  if (outer.mode) {
    const link = linkConstraint(
      'outer',
      { ...outer, mode: outer.mode },
      isBulkOnly(parts) && outer.mode.family === 'usb',
    );
    found.push(splits && bridge.card?.splitting === 'board' ? link : shared(link, whole(outer.mode), []));
  }
  const sameWay = endpoint?.port !== undefined && endpoint.port === port.id;
  links.hops.forEach((hop, i) => {
    if (!hop.mode) return;
    // One command at a time is slow over every link on the way.
    const link = linkConstraint(
      `hub-${i}`,
      { ...hop, mode: hop.mode },
      isBulkOnly(parts) && hop.mode.family === 'usb',
      `${hop.mode.name} from ${hops[i]!.hub.model}`,
    );
    found.push(shared(link, whole(hop.mode), busyUpTo(parts, i), sameWay && i === hops.length - 1));
  });
  const uplink = host.uplinks?.find((u) => u.id === port.uplink);
  if (uplink) {
    const mode = bestOf(uplink.modes);
    const link = linkConstraint(
      'uplink',
      { mode, reason: `${port.position} hangs on ${uplink.name} with others`, limiters: [], without: null },
      false,
      `${uplink.name}, ${mode.name}`,
    );
    const other = host.ports.find((p) => p.id === endpoint?.port);
    found.push(
      shared(
        link,
        whole(mode),
        [...busyUpTo(parts, hops.length - 1), ...(uplink.busy ?? [])],
        other?.uplink === uplink.id,
      ),
    );
  }
  const system = host.systems?.[0];
  const onWay = found.filter((c) => c.id === 'outer' || c.id.startsWith('hub-'));
  if (system?.efficiency?.value != null && onWay.length > 0) {
    const words = `storage stack of ${system.family === 'own' ? 'the host’s own system' : [system.family, system.version].filter(Boolean).join(' ')}`;
    const slowest = both((d) => onWay.reduce((a, b) => (b.rate[d].expected < a.rate[d].expected ? b : a)));
    found.push(systemConstraint(words, { ...system.efficiency, value: system.efficiency.value }, slowest));
  }
  found.push(...otherEnd(parts).map((c) => shared(c, c.link ? whole(c.link.mode) : true, [])));
  return found;
}

/** What stands at the other end, and the link it hangs on where it is not built in. */
function otherEnd({ host, endpoint }: PathParts): Constraint[] {
  // Reading from the drive writes to the other end, and the other way about.
  if (!endpoint)
    return [
      partConstraint(
        'other',
        host.storage.name,
        { read: host.storage.write, write: host.storage.read },
        BUILT_IN,
        'built-in drives in use, from disks to fast flash',
      ),
    ];
  const port = host.ports.find((p) => p.id === endpoint.port);
  const own = bestOf(endpoint.modes);
  const ways = [own, ...(port ? [bestOf(port.modes)] : [])];
  const mode = ways.reduce((a, b) => (worth(b) < worth(a) ? b : a));
  const reason =
    port && mode !== own
      ? `${endpoint.name} in ${port.position}, which runs ${mode.name}`
      : `${endpoint.name} hangs on ${own.name}`;
  const link: Negotiated & { mode: Link } = { mode, reason, limiters: [], without: null };
  return [
    linkConstraint('far', link, false, `${mode.name} to ${endpoint.name}`),
    partConstraint(
      'other',
      endpoint.name,
      { read: endpoint.write, write: endpoint.read },
      both((d) => behind(mode, d)),
      `half to all of what ${mode.name} carries`,
    ),
  ];
}

const worth = (link: Link) => practicalOf(link, 'read').expected;
const bestOf = (modes: readonly string[]): Link =>
  modes.map(linkById).reduce((a, b) => (worth(b) > worth(a) ? b : a));

/** Neighbours that pass hub i: those on it and on all before it. */
const busyUpTo = ({ hops = [] }: PathParts, i: number): Busy[] =>
  hops.slice(0, i + 1).flatMap((hop) => hop.busy ?? []);

/** Who passes one thing in one direction. On a link that both directions share, all count, and a copy whose both ends hang on it passes twice. */
function crowd(
  { together = 1, endpoint }: PathParts,
  direction: Direction,
  fullDuplex: boolean,
  neighbours: readonly Busy[],
  bothEnds: boolean,
): Crowd {
  const beside = neighbours.filter((n) => !fullDuplex || n.direction === direction);
  const twice = bothEnds && !fullDuplex;
  const words = [
    together > 1 ? `${together} drives at once` : '',
    twice ? `the copy comes and goes over it (${endpoint!.name} hangs on it too)` : '',
    ...beside.map((n) => `${n.name} ${n.direction === 'read' ? 'reading' : 'writing'}`),
  ].filter(Boolean);
  return {
    own: together * (twice ? 2 : 1),
    wants: beside.map((n) => n.want ?? Infinity),
    words: words.join(', '),
  };
}
