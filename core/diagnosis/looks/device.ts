import type { Look } from '../look';

/** Another enclosure and drive of the same kind. */
export const DEVICE: Look = {
  id: 'other device',
  title: 'Time another device of the same kind in its place',
  replaces: ['device', 'cable'],
  extra: 10,
  applies: () => true,
};
