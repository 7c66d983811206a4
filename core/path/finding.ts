import type { Direction } from '../links';
import { format } from '../units';
import { buildPath, type Joint, type Path } from './path';

export type Severity = 'blocks' | 'limits' | 'caution' | 'note';

/** Something about a path worth saying, with its reason and mend. */
export interface Finding {
  id: string;
  severity: Severity;
  title: string;
  reason: string;
  mend: string;
  joint: Joint['id'] | null;
}

/** What blocks, limits or deserves caution on a path for data of one direction; worst first. */
export function findings(path: Path, direction: Direction): Finding[] {
  if (path.blocked.length > 0) return path.blocked.map((reason, i) => ({ id: `blocked-${i}`, severity: 'blocks', title: 'Nothing flows', reason: sentence(reason), mend: betterPort(path, direction) ?? 'Choose parts whose plugs match and that share a mode.', joint: null }));
  const found: Finding[] = [];
  const { constraint, joints, next } = path.bottleneck![direction];
  const held = constraint.link?.without ? joints.filter((joint) => joint === 'port' || joint === 'cable') : [];
  for (const joint of held) {
    const gain = next ? ` The next limit is ${next.name}, ${format(next.rate.expected, 'B/s')}.` : '';
    found.push({
      id: `held-by-${joint}`,
      severity: 'limits',
      title: joint === 'port' ? 'The port holds the path down' : 'The cable holds the path down',
      reason: `${sentence(constraint.link!.reason)}${gain}`,
      mend: (joint === 'port' ? betterPort(path, direction) : null) ?? (joint === 'cable' ? `Take a cable rated for ${constraint.link!.without?.name ?? 'more'}.` : 'This host has no faster port for these parts.'),
      joint,
    });
  }
  if (path.parts.bridge?.protocol === 'bulk-only' && path.outer.mode?.family === 'usb')
    found.push({ id: 'bulk-only', severity: 'caution', title: 'One command at a time', reason: 'The bridge speaks the bulk-only protocol: 55 to 85 % of the link is left, and requests cannot queue.', mend: 'Take an enclosure that offers UAS.', joint: 'bridge' });
  const media = path.constraints.find((c) => c.id === 'media')!;
  const carries = path.carries![direction];
  if (media.rate[direction].expected > carries.expected * 1.5)
    found.push({ id: 'drive-outruns-path', severity: 'note', title: 'The drive is faster than its path', reason: `${media.name} could ${direction} ${format(media.rate[direction].expected, 'B/s')}; the links carry ${format(carries.expected, 'B/s')}.`, mend: 'Money well spent only if the drive will move to a faster host later.', joint: 'drive' });
  if (constraint.id === 'other')
    found.push({ id: 'other-end', severity: 'limits', title: 'The other end decides', reason: `${constraint.name} ${direction === 'write' ? 'delivers' : 'takes'} ${format(constraint.rate[direction].expected, 'B/s')}: a faster drive or port changes nothing.`, mend: 'Copy from or to a faster drive, or accept it.', joint: 'host' });
  return found;
}

const sentence = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}.`;

/** Where else on this host the same parts would be faster: the mend is where to plug. */
function betterPort(path: Path, direction: Direction): string | null {
  const now = path.flow?.[direction].expected ?? 0;
  const others = path.parts.host.ports
    .filter((port) => port.id !== path.parts.port.id)
    .map((port) => ({ port, path: buildPath({ ...path.parts, port }) }))
    .filter((other) => other.path.flow && other.path.flow[direction].expected > now * 1.02)
    .sort((a, b) => b.path.flow![direction].expected - a.path.flow![direction].expected);
  const best = others[0];
  if (!best) return null;
  const mode = best.path.outer.mode!;
  const there = format(best.path.flow![direction].expected, 'B/s');
  return `Plug it into: ${best.port.position} (${mode.name}). Expected there: ${there}${now > 0 ? ` instead of ${format(now, 'B/s')}` : ''}.`;
}
