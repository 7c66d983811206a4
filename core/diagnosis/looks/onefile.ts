import { exactFact } from '../../evidence';
import type { Look } from '../look';

/** As many bytes in one file. */
export const ONE_FILE: Look = {
  id: 'one file',
  title: 'Time as much in one large file',
  replaces: [],
  // What is made for the test is known.
  ends: ['another size', 'another number of files'],
  applies: ({ activity }) => activity.kind === 'move' && activity.files.value !== 1,
  change: (of) => {
    if (of.activity.kind !== 'move') return of;
    const { sizes: _, ...activity } = of.activity;
    return { ...of, activity: { ...activity, files: exactFact(1) } };
  },
};
