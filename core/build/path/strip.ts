import { practicalOf, type Direction } from '../../catalog/links';
import { both, type ConstraintId } from './constraint';
import { lastLink } from './links';
import { bestShared, type Negotiated } from './negotiate';
import { isConverting, portOf, type PathParts } from './parts';
import type { Joint, Path } from './path';

/** What a participant could carry by its own best mode, expected; 0 where it shares none with the end on its drive side. */
const aloneWith =
  (own: PathParts['own']) =>
  (near: readonly string[], modes: readonly string[]): Record<Direction, number> => {
    const shares = near === modes || bestShared(near, modes) !== null;
    const mode = bestShared(modes);
    return both((d) => (shares && mode ? practicalOf(mode, d, own).expected : 0));
  };

/** The places of a path, from the media to the other end. */
export function strip({ parts, links, constraints }: Path): Joint[] {
  const { drive, bridge, cable, port, host, hops = [], endpoint } = parts;
  const { inner, outer } = links;
  const alone = aloneWith(parts.own);
  const constraint = (id: ConstraintId) => constraints.find((c) => c.id === id);
  const ids = (...wanted: ConstraintId[]) => wanted.filter((id) => constraint(id));
  const modeName = (link: Negotiated | null) => link?.mode?.name ?? 'no common mode';
  const least2 = (a: Record<Direction, number>, b: Record<Direction, number>) =>
    both((d) => Math.min(a[d], b[d]));
  const kind =
    drive.media === 'disk' ? [drive.recording, 'disk'].filter(Boolean).join(' ') : (drive.cell ?? 'flash');
  const joints: Joint[] = [
    {
      id: 'drive',
      part: drive.model,
      detail: `${kind}, ${modeName(inner ?? outer)}`,
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
          Math.min(
            cap?.rate[d].expected ?? Infinity,
            inner?.mode ? practicalOf(inner.mode, d, parts.own).expected : 0,
            best[d],
          ),
        )
      : best;
    joints.push({
      id: 'bridge',
      part: bridge.model,
      detail: converts
        ? `${modeName(inner)} inside${bridge.protocol === 'bulk-only' ? ', bulk-only' : ''}`
        : 'passes the lanes through',
      alone: through,
      constraints: ids('inner', 'bridge'),
    });
    sending = bridge.outer;
  }
  if (cable)
    joints.push({
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
    joints.push({
      id: `hub-${i}`,
      part: hop.hub.model,
      detail: `${modeName(links.hops[i]!)} towards the host`,
      alone: least2(at, up),
      constraints: [...(i === 0 ? ids('outer') : []), ...ids(`hub-${i}`)],
    });
    sending = hop.hub.up;
  });
  const last = lastLink(links);
  joints.push({
    id: 'port',
    part: port.position,
    detail: `${port.connector}, ${last.mode ? `runs ${last.mode.name}` : 'no common mode'}`,
    alone: alone(sending, port.modes),
    constraints: ids(hops.length > 0 ? `hub-${hops.length - 1}` : 'outer', 'uplink'),
  });
  const stack = constraint('system');
  if (stack)
    joints.push({
      id: 'system',
      part: stack.name,
      detail: 'as it drives this port',
      alone: both((d) => stack.rate[d].expected),
      constraints: ['system'],
    });
  joints.push({
    id: 'host',
    part: endpoint?.name ?? host.storage.name,
    detail: host.name,
    alone: both((d) => Math.min(...ids('far', 'other').map((id) => constraint(id)!.rate[d].expected))),
    constraints: ids('far', 'other'),
  });
  return joints;
}
