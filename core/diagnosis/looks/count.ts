import type { Look } from '../look';

/** Size and count of what was copied. */
export const COUNT: Look = {
  id: 'count again',
  title: 'Look at size and number of files again, with their units',
  thing: 'Size and count',
  replaces: ['figures'],
  extra: 1,
  applies: ({ activity }) => activity.kind === 'move',
  sees: (of) => {
    const { bytes, files } = of.overrides;
    return (
      [bytes ? 'another size' : '', files ? 'another number of files' : ''].filter(Boolean).join(' and ') ||
      'as entered'
    );
  },
};
