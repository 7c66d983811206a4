import type { Spread } from '../../stats';
import { formatEnd, type Checkpoint } from '../disks/format';
import { LAWS, timeShare } from '../disks/zone';

export interface ZoneFit {
  /** Innermost tracks as a share of the outermost. */
  inner: Spread;
  /** B/s of the outermost tracks. */
  outer: Spread;
}

/**
 * Outer rate and zone ratio of a disk from how far a pass over all of it had come at some moments, over both laws of how its rate falls.
 * @throws RangeError without a checkpoint, or for one that cannot be
 */
export function fitZones(checkpoints: readonly Checkpoint[], capacity: number): ZoneFit {
  const { total, k, laws } = formatEnd(checkpoints);
  const passes = (ratio: number) =>
    LAWS.reduce((sum, law) => sum + laws[law] * timeShare(law, ratio, 1), 0) * capacity;
  return {
    inner: k,
    outer: {
      low: passes(k.expected) / total.high,
      expected: passes(k.expected) / total.expected,
      high: passes(k.expected) / total.low,
    },
  };
}
