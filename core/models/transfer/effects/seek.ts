import type { Effect } from './effect';

/** B between two switches of a disk that serves several streams [memory]. */
const CHUNK = 4e6;

/** A disk that serves several streams at once seeks between them. */
export const seek: Effect = {
  id: 'seek',
  concerns({ bodies }) {
    for (const { store } of bodies) if (store.seek) return true;
    return false;
  },

  limit({ bodies, active }) {
    for (const body of bodies) {
      const { seek: cost, chunk = CHUNK } = body.store;
      body.switching = 0;
      if (!cost) continue;
      let streams = 0;
      for (const { flow, from, to, reading } of active) {
        if (reading && from.body === body) streams += flow.streams ?? 1;
        if (to.body === body) streams += flow.streams ?? 1;
      }
      if (streams > 1) body.switching = cost / chunk;
    }
  },
};
