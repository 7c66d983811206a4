import type { Direction } from '../../catalog/links';
import type { Host } from '../../catalog/parts';
import { screenPathOf, situationOf } from '../../forecast';
import { directionOf } from '../../job';
import type { Candidate } from './candidate';
import type { Wanted } from './wanted';

/** A device that is slower while others work on the same uplink. */
export interface Slowed {
  /** Its place in the list, and those of the others on the uplink. */
  device: number;
  others: readonly number[];
  uplink: string;
  direction: Direction;
  /** Expected flow, B/s, with the uplink for itself and while all work at once. */
  alone: number;
  together: number;
}

interface Placed {
  wanted: Wanted;
  candidate: Candidate;
}

/** The uplink of its first machine that a device hangs on. */
function uplinkOf({ wanted, candidate }: Placed) {
  const { host } = wanted.places[0]!;
  const port = host.ports.find((p) => p.id === candidate.build.port);
  return host.uplinks?.find((u) => u.id === port?.uplink);
}

/** Expected flow at the first place in the direction of its work, B/s; null where nothing flows. */
function flowOn(host: Host, { wanted, candidate }: Placed, direction: Direction): number | null {
  const open = { ...wanted.places[0]!, host };
  const situation = situationOf({ ...open, build: candidate.build }, wanted.shopRanges);
  const path = situation && screenPathOf(situation);
  return path?.flow?.[direction].expected ?? null;
}

/** The direction most of a device's work at its first place goes. */
function mainDirection({ wanted }: Placed): Direction {
  const all = wanted.places[0]!.activities.map(directionOf);
  return all.filter((d) => d === 'write').length * 2 >= all.length ? 'write' : 'read';
}

/** Which devices slow each other down when all work at once, because their ports share an uplink of the machine. */
export function slowedBy(list: readonly Placed[]): Slowed[] {
  return list.flatMap((one, device): Slowed[] => {
    const uplink = uplinkOf(one);
    const { host } = one.wanted.places[0]!;
    const others = list.flatMap((other, i) =>
      i !== device && other.wanted.places[0]!.host.id === host.id && uplinkOf(other)?.id === uplink?.id
        ? [i]
        : [],
    );
    if (!uplink || others.length === 0) return [];
    const direction = mainDirection(one);
    const busy = others.map((i) => {
      const theirs = mainDirection(list[i]!);
      return {
        name: list[i]!.candidate.build.drive.model,
        direction: theirs,
        want: flowOn(host, list[i]!, theirs),
      };
    });
    const shared = {
      ...host,
      uplinks: host.uplinks!.map((u) =>
        u.id === uplink.id ? { ...u, busy: [...(u.busy ?? []), ...busy] } : u,
      ),
    };
    const alone = flowOn(host, one, direction);
    const together = flowOn(shared, one, direction);
    if (alone === null || together === null || together >= alone * 0.98) return [];
    return [{ device, others, uplink: uplink.name, direction, alone, together }];
  });
}
