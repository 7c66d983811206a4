import type { Look } from '../look';

/** After a rest: cool, its cache empty. */
export const RESTED: Look = {
  id: 'rested',
  title: 'Let it rest for ten minutes, then time it again',
  replaces: [],
  extra: 10,
  ends: ['cache used up', 'throttling'],
  applies: ({ device }) => device.drive.media === 'flash',
};
