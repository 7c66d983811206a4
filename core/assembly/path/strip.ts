import { practicalOf, type Direction } from '../../catalog/links';
import { ARRAY_NAMES } from '../array/words';
import { both, type ConstraintId } from './constraint';
import { lastLink } from './links';
import { bestShared, type Negotiated } from './negotiate';
import { isConverting, portOf, type PathParts } from './parts';
import type { Segment, Path } from './path';

/** What a participant could carry by its own best mode, expected; 0 where it shares none with the end on its drive side. */
const aloneWith =
  (shopRanges: PathParts['shopRanges']) =>
  (near: readonly string[], modes: readonly string[]): Record<Direction, number> => {
    const shares = near === modes || bestShared(near, modes) !== null;
    const mode = bestShared(modes);
    return both((d) => (shares && mode ? practicalOf(mode, d, shopRanges).expected : 0));
  };

type Place = Omit<Segment, 'passes'>;

/** The places of a path, from the media to the other end, each with what passes there as it runs. */
export const strip = (path: Path): Segment[] =>
  placesOn(path).map((place) => {
    const own = path.constraints.filter(({ id }) => place.constraints.includes(id));
    return { ...place, passes: both((d) => Math.min(place.alone[d], ...own.map((c) => c.rate[d].expected))) };
  });

function placesOn({ parts, links, constraints }: Path): Place[] {
  const { drive, bridge, cable, port, host, hops = [], endpoint } = parts;
  const { inner } = links;
  const alone = aloneWith(parts.shopRanges);
  const constraint = (id: ConstraintId) => constraints.find((c) => c.id === id);
  const made = constraint('array');
  const layer = made && { made, firmware: bridge !== null && parts.array?.by === 'firmware' };
  const ids = (...wanted: ConstraintId[]) => wanted.filter((id) => constraint(id));
  const modeName = (link: Negotiated | null) => link?.mode?.name ?? 'no common mode';
  const least2 = (a: Record<Direction, number>, b: Record<Direction, number>) =>
    both((d) => Math.min(a[d], b[d]));
  const kind =
    drive.media === 'disk' ? [drive.recording, 'disk'].filter(Boolean).join(' ') : (drive.cell ?? 'flash');
  const segments: Place[] = [
    {
      id: 'drive',
      part: parts.array ? `${parts.array.members} × ${drive.model}` : drive.model,
      detail: [
        kind,
        // What it could run by itself: what it runs here is told where the link ends.
        bestShared(drive.modes)?.name,
        ...(parts.array ? [ARRAY_NAMES[parts.array.mode].name] : []),
      ]
        .filter(Boolean)
        .join(', '),
      alone: both((d) => constraint('media')!.rate[d].expected),
      constraints: ids('media'),
    },
  ];
  let sending: readonly string[] = drive.modes;
  if (bridge) {
    const cap = constraint('bridge');
    const converts = isConverting(bridge);
    const best = alone(converts ? bridge.outer : drive.modes, bridge.outer);
    const through = converts
      ? both((d) =>
          Math.min(cap?.rate[d].expected ?? Infinity, constraint('inner')?.rate[d].expected ?? 0, best[d]),
        )
      : best;
    segments.push({
      id: 'bridge',
      part: bridge.model,
      detail: converts
        ? `${modeName(inner)} inside${bridge.protocol === 'bulk-only' ? ', bulk-only' : ''}`
        : 'passes the lanes through',
      alone: through,
      constraints: [...ids('inner', 'bridge'), ...(layer?.firmware ? (['array'] as const) : [])],
    });
    sending = bridge.outer;
  }
  if (cable)
    segments.push({
      id: 'cable',
      part: cable.name,
      detail: `${cable.length} m, ${cable.ends.join(' to ')}`,
      alone: alone(sending, cable.modes),
      constraints: ids('outer'),
    });
  hops.forEach((hop, i) => {
    const there = portOf(hop);
    const at = alone(sending, there.modes);
    const up = least2(alone(hop.hub.up, hop.hub.up), alone(hop.hub.up, hop.cable.modes));
    segments.push({
      id: `hub-${i}`,
      part: hop.hub.model,
      detail: `${modeName(links.hops[i]!)} towards the host`,
      alone: least2(at, up),
      constraints: [...(i === 0 ? ids('outer') : []), ...ids(`hub-${i}`)],
    });
    sending = hop.hub.up;
  });
  const last = lastLink(links);
  segments.push({
    id: 'port',
    part: port.position,
    detail: `${port.connector}, ${last.mode ? `runs ${last.mode.name}` : 'no common mode'}`,
    alone: alone(sending, port.modes),
    constraints: ids(hops.length > 0 ? `hub-${hops.length - 1}` : 'outer', 'uplink'),
  });
  const stack = constraint('system');
  const above = [stack, layer && !layer.firmware ? layer.made : undefined].filter((c) => c !== undefined);
  if (above.length > 0)
    segments.push({
      id: 'system',
      part: above.map((c) => c.name).join(', '),
      detail: 'as it drives this port',
      alone: both((d) => Math.min(...above.map((c) => c.rate[d].expected))),
      constraints: above.map((c) => c.id),
    });
  const arrives = (d: Direction) => Math.min(...segments.map((segment) => segment.alone[d]));
  segments.push(
    parts.endsAtHost
      ? {
          id: 'host',
          part: host.name,
          detail: 'works on it',
          alone: both(arrives),
          constraints: [],
          endsAtHost: true,
        }
      : {
          id: 'host',
          part: endpoint?.name ?? host.storage.name,
          detail: host.name,
          alone: both((d) => Math.min(...ids('far', 'other').map((id) => constraint(id)!.rate[d].expected))),
          constraints: ids('far', 'other'),
        },
  );
  return segments;
}
