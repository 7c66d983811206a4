import { timeShare, type Law } from '../disks/zone';

/** Zones of a disk: how its rates fall from the outer tracks to the inner ones. */
export interface Zones {
  law: Law;
  /** Innermost rate as a share of the outermost. */
  k: number;
  /** B */
  capacity: number;
}

/**
 * Pieces a stretch of a disk is cut into: so many for a whole disk, at most and at least so many. Within one its
 * rate falls by one or two per cent, and its time
 * is the law's own integral, so only where something else changes in the middle of a piece is anything rounded, by less than a thousandth.
 */
const PIECES = { whole: 256, most: 64, least: 4 };

/** The pieces of a disk that a flow passes: where each ends, in B from the flow's start, and its share of the outer rate. */
export interface Pieces {
  ends: number[];
  shares: number[];
}

export const EVEN: Pieces = { ends: [Infinity], shares: [1] };

/** Cuts the stretch of a disk that so many bytes from position `at` on pass. What does not fit any more stays on the innermost tracks. */
export function piecesOf({ law, k, capacity }: Zones, at: number, bytes: number): Pieces {
  const from = Math.min(Math.max(at, 0), 1);
  const span = Math.min(bytes / capacity, 1 - from);
  if (span <= 0) return { ends: [Infinity], shares: [k] };
  const count = Math.min(PIECES.most, Math.max(PIECES.least, Math.ceil(span * PIECES.whole)));
  const ends: number[] = [];
  const shares: number[] = [];
  let before = timeShare(law, k, from);
  for (let i = 1; i <= count; i++) {
    const time = timeShare(law, k, from + (span * i) / count);
    shares.push(span / count / (time - before));
    ends.push((capacity * span * i) / count);
    before = time;
  }
  if (bytes > capacity * span) {
    ends.push(Infinity);
    shares.push(k);
  } else ends[count - 1] = Infinity;
  return { ends, shares };
}
