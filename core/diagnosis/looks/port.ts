import type { Look } from '../look';

/** Another port of the same class. */
export const PORT: Look = {
  id: 'other port',
  title: 'Take another port of the same class and time it again',
  replaces: ['port'],
  applies: ({ device }) => device.bridge !== null,
};
