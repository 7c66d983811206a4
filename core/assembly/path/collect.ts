import { middle, recordersFor, type Estimate, type Fact, type Recorders } from '../../evidence';
import { builtInMarket, outerMarket } from '../../catalog/classes';
import { exactly } from '../../stats';
import {
  ceilingOf,
  DIRECTIONS,
  expectedRate,
  explainCeiling,
  linkById,
  type Direction,
  type Link,
} from '../../catalog/links';
import type { Busy } from '../../catalog/parts';
import { layoutConstraint, membersConstraint } from './array';
import { uplinkContention } from './crowd';
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
export function collectLinks(parts: PathParts, links: Links): Constraint[] {
  const { drive, bridge, host, port, hops = [], endpoint } = parts;
  const { inner, outer } = links;
  const record = recordersFor(parts.shopRanges);
  const anyDisk = drive.media === 'disk' ? outerMarket(drive, parts.shopRanges) : null;
  const unknown = both((d) => anyDisk?.range ?? behind((inner ?? outer).mode, d, parts.shopRanges));
  const found: Constraint[] = [
    membersConstraint(
      partConstraint(
        record,
        'media',
        drive.model,
        { read: drive.read, write: drive.write },
        unknown,
        anyDisk ? { unknownOf: anyDisk.note, sheet: 'of-stated.disk' } : {},
      ),
      parts,
    ),
  ];
  if (inner?.mode)
    found.push(membersConstraint(linkConstraint(record, 'inner', { ...inner, mode: inner.mode }), parts));
  // Each drive of a card that leaves the splitting to the board has lanes of its own.
  const ownLanes = bridge !== null && !isConverting(bridge) && bridge.card?.splitting === 'board';
  const shared = (constraint: Constraint, duplex: boolean, neighbours: readonly Busy[], twice = false) =>
    sharedConstraint(
      constraint,
      both((d) => uplinkContention(parts, d, duplex, neighbours, twice)),
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
          { unknownOf: 'no figure of its own: the ceiling of its link' },
        ),
        true,
        [],
      ),
    );

  if (outer.mode) {
    const link = linkConstraint(record, 'outer', { ...outer, mode: outer.mode }, isSlowed(parts, outer.mode));
    const freed =
      drive.sealed && outer.mode === bestOf(drive.modes)
        ? measuredOver(link, drive, ['measured', 'sheet'])
        : link;
    found.push(ownLanes ? membersConstraint(freed, parts) : shared(freed, whole(outer.mode), []));
  }
  const sameWay = endpoint?.port !== undefined && endpoint.port === port.id;
  links.hops.forEach((hop, i) => {
    if (!hop.mode) return;
    // One command at a time is slow over every link on the way.
    const link = linkConstraint(
      record,
      `hub-${i}`,
      { ...hop, mode: hop.mode },
      isSlowed(parts, hop.mode),
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
    const words = `overhead of ${system.family === 'own' ? 'the host’s own system' : [system.family, system.version].filter(Boolean).join(' ')}`;
    found.push(systemConstraint(words, { ...system.efficiency, value: system.efficiency.value }, onWay));
  }
  const { array } = parts;
  if (array) {
    const beyond = found.filter(
      (c) => c.id !== 'media' && c.id !== 'inner' && !(c.id === 'outer' && ownLanes),
    );
    const links = found.filter((c) => c.id !== 'media');
    const base = [beyond, links, found].find((list) => list.length > 0)!;
    const slowest = both((d) => base.reduce((a, b) => (b.rate[d].expected < a.rate[d].expected ? b : a)));
    // Members with lanes of their own share no link that redundancy could fill.
    const isShared = beyond.some((c) => c.id !== 'system');
    found.push(layoutConstraint({ ...parts, array }, slowest, isShared));
  }
  if (!parts.endsAtHost)
    found.push(...otherEnd(record, parts).map((c) => shared(c, c.link ? whole(c.link.mode) : true, [])));
  return found;
}

/** What stands at the other end, and the link it hangs on where it is not built in. */
function otherEnd(record: Recorders, { host, endpoint, shopRanges }: PathParts): Constraint[] {
  // Reading from the drive writes to the other end, and the other way about.
  if (!endpoint) {
    const market = builtInMarket(host, shopRanges);
    return [
      partConstraint(
        record,
        'other',
        host.storage.name,
        { read: host.storage.write, write: host.storage.read },
        both(() => market.range),
        { unknownOf: market.note },
      ),
    ];
  }
  const port = host.ports.find((p) => p.id === endpoint.port);
  const best = bestOf(endpoint.modes);
  const ways = [best, ...(port ? [bestOf(port.modes)] : [])];
  const mode = ways.reduce((a, b) => (expectedRate(b) < expectedRate(a) ? b : a));
  const held = port && mode !== best ? port.position : null;
  const link = alone(mode, { id: 'other end', name: endpoint.name, port: held });
  const far = linkConstraint(record, 'far', link, false, `${mode.name} to ${endpoint.name}`);
  return [
    mode === best ? measuredOver(far, { read: endpoint.write, write: endpoint.read }) : far,
    partConstraint(
      record,
      'other',
      endpoint.name,
      { read: endpoint.write, write: endpoint.read },
      both((d) => behind(mode, d, shopRanges)),
      { unknownOf: `half to all of what ${mode.name} carries` },
    ),
  ];
}

/**
 * What was measured over a link has that link's losses in it: only its hard ceiling stands beside. So has what is printed on a sealed device: nobody
 * measured it otherwise.
 */
function measuredOver(
  link: Constraint,
  facts: Record<Direction, Fact>,
  kinds: readonly Fact['source']['kind'][] = ['measured'],
): Constraint {
  const mode = link.link?.mode;
  // What its link cannot carry was measured elsewhere.
  const isIn = (d: Direction) =>
    kinds.includes(facts[d].source.kind) && (middle(facts[d]) ?? Infinity) <= ceilingOf(mode!);
  if (!mode || !DIRECTIONS.some(isIn)) return link;
  const note = 'what hangs on it was measured over it: its losses are in that';
  const explain = (d: Direction): Estimate => {
    if (!isIn(d)) return link.explain(d);
    const ceiling = explainCeiling(mode);
    return { ...ceiling, because: { ...ceiling.because, note } };
  };
  return { ...link, rate: both((d) => (isIn(d) ? exactly(ceilingOf(mode)) : link.rate[d])), explain };
}

/** Whether the protocol holds a link down: USB 2.0 knows no other, its practice has it already. */
const isSlowed = (parts: PathParts, mode: Link): boolean =>
  isBulkOnly(parts) && mode.family === 'usb' && mode.id !== 'usb-2';

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
