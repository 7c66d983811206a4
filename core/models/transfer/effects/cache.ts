import type { Body } from '../state';
import type { Effect } from './effect';

/** So little of a cache is none, B. */
const NONE = 1e-3;

/** A medium writes at full speed while its cache lasts. */
function take(body: Body): void {
  const { write, sustained } = body.store;
  body.write = body.cache > 0 ? write : Math.min(write, sustained);
}

/** A cache takes writes at full speed until it is used up, and clears itself while nothing is written. */
export const cache: Effect = {
  id: 'cache',
  concerns({ bodies }) {
    for (const { store } of bodies) if (store.cache < Infinity || store.sustained < store.write) return true;
    return false;
  },
  begin: ({ bodies }) => bodies.forEach(take),

  next({ bodies, active }) {
    let next = Infinity;
    for (const body of bodies) {
      body.writing = 0;
      for (const c of active) if (c.to.body === body) body.writing += c.out;
      if (body.writing > 0 && body.cache > 0 && body.cache < Infinity)
        next = Math.min(next, body.cache / body.writing);
    }
    return next;
  },

  advance({ bodies }, seconds) {
    for (const body of bodies) {
      if (body.cache === Infinity) continue;
      const { refill = 0, cache: now, cacheMost = now } = body.store;
      if (body.writing > 0) body.cache = Math.max(0, body.cache - body.writing * seconds);
      else body.cache = Math.min(cacheMost, body.cache + refill * seconds);
      take(body);
    }
  },

  arrive(state) {
    for (const body of state.bodies)
      if (body.cache > 0 && body.cache <= NONE && body.writing > 0) {
        body.cache = 0;
        take(body);
        state.regime++;
      }
  },
};
