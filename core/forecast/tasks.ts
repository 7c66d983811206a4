import { about, SAMPLES, quantile, type Spread } from '../stats';
import type { Estimate } from '../evidence';
import { isMove, isOnce, type Activity } from '../job';
import type { Answer } from './kinds/kind';

/** Something that is done once the one before is done. */
export interface FirstTask {
  /** The activity; null for the format that goes before. */
  activity: string | null;
  name: string;
  /** s that it takes, and s from the start until it is done. */
  takes: Spread;
  done: Spread;
}

/**
 * The first tasks of a device, one after another: a full format where one is asked for, then what is copied once; where nothing is, each copy
 * onto the device for the first time. Verifying is part of a copy.
 * @param format time of the full format; null for none
 */
export function inTurn(
  activities: readonly (Answer & { activity: Activity })[],
  format: Estimate | null,
): FirstTask[] {
  const moves = activities.flatMap(({ activity, course }) =>
    isMove(activity) && course ? [{ activity, course }] : [],
  );
  const once = moves.filter(({ activity }) => isOnce(activity));
  const copies = once.length > 0 ? once : moves.filter(({ activity }) => activity.direction === 'write');
  const sum = new Float64Array(SAMPLES);
  let expected = 0;
  const found: FirstTask[] = [];
  if (format) {
    // A slow disk is slow at both: the draws of its format rise with those of the first copy.
    const order = ranksOf(copies[0]?.course.times);
    order.forEach((p, i) => (sum[i] = quantile(format, p)));
    expected = format.expected;
    found.push({ activity: null, name: 'Full format', takes: format, done: format });
  }
  for (const { activity, course } of copies) {
    course.times.forEach((t, i) => (sum[i]! += t));
    expected += course.time.expected;
    const done = about(expected, sum);
    found.push({ activity: activity.id, name: activity.name, takes: course.time, done });
  }
  return found;
}

/** The share of values each value lies above, 0 to 1; in their own order without any. */
function ranksOf(values: Float64Array = Float64Array.from({ length: SAMPLES }, (_, i) => i)): Float64Array {
  const ranks = new Float64Array(values.length);
  const order = Array.from(values.keys()).sort((a, b) => values[a]! - values[b]!);
  order.forEach((i, rank) => (ranks[i] = (rank + 0.5) / values.length));
  return ranks;
}
