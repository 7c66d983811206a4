import type { Look } from '../look';

/** Three times as much. */
export const LARGER: Look = {
  id: 'larger',
  title: 'Time three times as much in one go',
  replaces: [],
  applies: ({ activity }) => activity.kind === 'move' && typeof activity.bytes.value === 'number',
  change: (of) => {
    if (of.activity.kind !== 'move') return of;
    const { bytes, files } = of.activity;
    const more = (fact: typeof bytes) => ({
      ...fact,
      value: typeof fact.value === 'number' ? fact.value * 3 : fact.value,
    });
    const { sizes: _, ...activity } = of.activity;
    return { ...of, activity: { ...activity, bytes: more(bytes), files: more(files) } };
  },
};
