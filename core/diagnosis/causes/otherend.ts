import { isMove } from '../../job';
import { at } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Causes at the other end of a copy. */
export const OTHER_END = at('other end', [
  // What is copied comes slowly: a source that is full, old, or at work besides.
  {
    id: 'source slower',
    prior: 3,
    title: 'The other end reads slower than it should',
    fix: 'Time the source alone; copy from another one.',
    applies: (of) => depends(of, 'other') && isDirection(of, 'write'),
    change: (of) => scaling(of, { other: [0.05, 0.3, 0.75] }),
  },
  // From one place of a drive to another of the same: it reads and writes at once.
  {
    id: 'onto itself',
    prior: 0.5,
    title: 'It was copied onto itself (both ends are one drive)',
    fix: 'See where both folders lie; measure from another drive, or from memory.',
    applies: ({ activity, requestShape }) => isMove(activity) && !activity.itself && !requestShape?.toMemory,
    change: (of) => (isMove(of.activity) ? { ...of, activity: { ...of.activity, itself: true } } : of),
  },
  // What is read cannot be put down as quickly.
  {
    id: 'destination slower',
    prior: 2,
    title: 'The other end writes slower than it should',
    fix: 'Time the other end alone; read into memory instead.',
    applies: (of) => depends(of, 'other') && isDirection(of, 'read'),
    // Past its cache too.
    change: (of) => scaling(of, { other: [0.05, 0.3, 0.75], otherRest: [0.05, 0.35, 0.9] }),
  },
  // The drive at the other end writes past its cache.
  {
    id: 'other end past its cache',
    prior: 1.5,
    title: 'The other end is past its own cache',
    fix: 'Read in pieces its cache holds, or to another place.',
    applies: (of) => depends(of, 'otherRest') && isDirection(of, 'read'),
    change: (of) => scaling(of, { otherCache: [0.0001, 0.01, 0.2], otherRest: [0.3, 0.6, 1] }),
  },
]);
