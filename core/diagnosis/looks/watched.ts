import type { Look } from '../look';
import { isEntered } from '../scaling';

/** The same again, timed and counted by the device itself. */
export const WATCHED: Look = {
  id: 'watched',
  title: 'Watch it: the same again, by the device’s own counters',
  timedBy: 'watch',
  replaces: [],
  // Counters have no thumb, and no unit to mix up.
  ends: ['thumb', 'another size', 'units mixed up'],
  applies: (of) => of.activity.kind === 'move' && isEntered(of),
};
