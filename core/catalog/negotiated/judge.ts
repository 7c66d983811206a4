import { linkById, practicalOf } from '../links';
import { format } from '../../units';
import type { PluggedIn } from './device';

/** What a negotiated link says. */
export interface Judged {
  /** `held`: it runs slower than it could; `full`: nothing better is known to be possible; `open`: the system does not tell enough. */
  state: 'held' | 'full' | 'open';
  words: string;
}

const worth = (id: string) => practicalOf(linkById(id), 'read').expected;
const least = (ids: readonly string[]) => ids.reduce((a, b) => (worth(b) < worth(a) ? b : a));

/** Holds what a device negotiated against what its ends could. */
export function judgeLink({ bus, link, port, device, protocol }: PluggedIn): Judged {
  if (link === null) return { state: 'open', words: 'The system tells no negotiated speed.' };
  const name = linkById(link).name;
  const known = [port, device].filter((id): id is string => id !== null);
  const bulk = protocol === 'bulk-only' ? ' It speaks bulk-only: one command at a time.' : '';
  if (known.length === 0)
    return { state: 'open', words: `Runs at ${name}; what its ends could is not told.${bulk}` };
  const could = least(known);
  if (worth(could) <= worth(link) * 1.001)
    return {
      state: 'full',
      words: `Runs at ${name}, the best ${known.length === 2 ? 'both ends' : port ? 'the port' : 'the device'} can.${bulk}`,
    };
  const lost = `about ${format(worth(link), 'B/s')} instead of ${format(worth(could), 'B/s')}`;
  const why =
    known.length === 2
      ? `though both ends can run ${linkById(could).name}: look at cable, seat and shared lanes`
      : port
        ? `on a port that can run ${linkById(could).name}: the device, the cable or a hub between holds it down`
        : `though the device can run ${linkById(could).name}: look at the port and the cable`;
  return {
    state: 'held',
    words: `Negotiated ${bus === 'usb' || bus === 'sata' ? name : `only ${name}`} ${why}; ${lost}.${bulk}`,
  };
}
