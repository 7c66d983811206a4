import { isMove, type Move, type Load, type Run } from '@kymar/core/job';

/** What a way of measuring hands over; where and under what conditions is added here. */
export type Taken = Pick<Run, 'activity' | 'direction' | 'otherEnd' | 'source' | 'measure'> &
  Partial<Pick<Run, 'samples' | 'path' | 'probed'>> & { conditions?: Partial<Run['conditions']> };

/** Which way an activity's data goes, and what stands at the other end: a load goes into memory. */
export const waysOf = (activity: Move | Load): Pick<Run, 'direction' | 'otherEnd'> =>
  isMove(activity)
    ? { direction: activity.direction, otherEnd: 'storage' }
    : { direction: 'read', otherEnd: 'memory' };
