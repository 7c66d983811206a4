import type { Look } from '../look';

/** The other direction. */
export const BACK: Look = {
  id: 'other direction',
  title: 'Time the other direction',
  replaces: [],
  applies: ({ activity }) => activity.kind === 'move' && !activity.itself,
  change: (of) => {
    if (of.activity.kind !== 'move') return of;
    const direction = of.activity.direction === 'read' ? 'write' : 'read';
    return { ...of, activity: { ...of.activity, direction } };
  },
};
