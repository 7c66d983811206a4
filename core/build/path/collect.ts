import { recordersFor, type Recorders } from '../../evidence';
import { ASSUMPTIONS, assumedRange } from '../../catalog/assumptions';
import { exactly } from '../../stats';
import { ceilingOf, expectedRate, linkById, type Link } from '../../catalog/links';
import type { Busy } from '../../catalog/parts';
import { crowd } from './crowd';
import { isBulkOnly } from './depth';
import {
  behind,
  both,
  linkConstraint,
  partConstraint,
  sharedConstraint,
  systemConstraint,
  type Constraint,
} from './constraint';
import type { Links } from './links';
import type { Negotiated, ParticipantId, Why } from './negotiate';
import { isConverting, type PathParts } from './parts';

/** Every constraint of a path, from the media to the other end. */
export function collect(parts: PathParts, links: Links): Constraint[] {
  const { drive, bridge, host, port, hops = [], endpoint } = parts;
  const { inner, outer } = links;
  const record = recordersFor(parts.own);
  const found: Constraint[] = [
    partConstraint(
      record,
      'media',
      drive.model,
      { read: drive.read, write: drive.write },
      both((d) => behind((inner ?? outer).mode, d, parts.own)),
    ),
  ];
  if (inner?.mode) found.push(linkConstraint(record, 'inner', { ...inner, mode: inner.mode }));
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
          record,
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
      record,
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
      record,
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
      record,
      'uplink',
      alone(mode, { id: 'uplink', port: port.position, uplink: uplink.name }),
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
  found.push(...otherEnd(record, parts).map((c) => shared(c, c.link ? whole(c.link.mode) : true, [])));
  return found;
}

/** What stands at the other end, and the link it hangs on where it is not built in. */
function otherEnd(record: Recorders, { host, endpoint, own }: PathParts): Constraint[] {
  // Reading from the drive writes to the other end, and the other way about.
  if (!endpoint)
    return [
      partConstraint(
        record,
        'other',
        host.storage.name,
        { read: host.storage.write, write: host.storage.read },
        both((d) => assumedRange(d === 'read' ? 'built-in.taking' : 'built-in.delivering', record.bare.own)),
        ASSUMPTIONS['built-in.taking'].on,
      ),
    ];
  const port = host.ports.find((p) => p.id === endpoint.port);
  const best = bestOf(endpoint.modes);
  const ways = [best, ...(port ? [bestOf(port.modes)] : [])];
  const mode = ways.reduce((a, b) => (expectedRate(b) < expectedRate(a) ? b : a));
  const held = port && mode !== best ? port.position : null;
  const link = alone(mode, { id: 'other end', name: endpoint.name, port: held });
  return [
    linkConstraint(record, 'far', link, false, `${mode.name} to ${endpoint.name}`),
    partConstraint(
      record,
      'other',
      endpoint.name,
      { read: endpoint.write, write: endpoint.read },
      both((d) => behind(mode, d, own)),
      `half to all of what ${mode.name} carries`,
    ),
  ];
}

/** A link that nothing was negotiated for. */
const alone = (mode: Link, why: Why): Negotiated<ParticipantId> & { mode: Link } => ({
  mode,
  why,
  participants: [],
  limiters: [],
  without: null,
});

const bestOf = (modes: readonly string[]): Link =>
  modes.map(linkById).reduce((a, b) => (expectedRate(b) > expectedRate(a) ? b : a));

/** Neighbours that pass hub i: those on it and on all before it. */
const busyUpTo = ({ hops = [] }: PathParts, i: number): Busy[] =>
  hops.slice(0, i + 1).flatMap((hop) => hop.busy ?? []);
