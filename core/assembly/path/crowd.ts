import type { Direction } from '../../catalog/links';
import type { Busy } from '../../catalog/parts';
import type { PathParts } from './parts';

/** Who passes one thing in one direction. */
export interface Crowd {
  /** How often our own flows pass it: as many as drives at work, twice where a copy comes and goes over it. */
  own: number;
  together: number;
  /** What stands at the other end and hangs on it too, by name; null where it does not. */
  twice: string | null;
  /** The neighbours on it, and their wants in B/s; Infinity for all they can get. */
  beside: readonly Busy[];
  wants: readonly number[];
}

/** Who passes one thing in one direction. On a link that both directions share, all count, and a copy whose both ends hang on it passes twice. */
export function uplinkContention(
  { array, together: drives = 1, endpoint }: PathParts,
  direction: Direction,
  fullDuplex: boolean,
  neighbours: readonly Busy[],
  bothEnds: boolean,
): Crowd {
  // Several as one are one flow.
  const together = array ? 1 : drives;
  const beside = neighbours.filter((n) => !fullDuplex || n.direction === direction);
  const twice = bothEnds && !fullDuplex;
  return {
    own: together * (twice ? 2 : 1),
    together,
    twice: twice ? endpoint!.name : null,
    beside,
    wants: beside.map((n) => n.want ?? Infinity),
  };
}

/** Whether a thing is ours alone. */
export const isAlone = ({ own, wants }: Crowd): boolean => own + wants.length === 1;
