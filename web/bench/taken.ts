import type { Run } from '@kymar/core/job';

/** What a way of measuring hands over; where and under what conditions is added here. */
export type Taken = Pick<Run, 'activity' | 'direction' | 'otherEnd' | 'source' | 'measure'> &
  Partial<Pick<Run, 'samples' | 'path'>> & { conditions?: Partial<Run['conditions']> };
