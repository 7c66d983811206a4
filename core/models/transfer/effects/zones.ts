import type { FlowEnd, EngineState } from '../state';
import type { Effect } from './effect';

function pass(state: EngineState, place: FlowEnd, at: number): void {
  for (; at >= place.pieces.ends[place.zone]!; state.regime++) place.zone++;
}

/** A disk slows down from its outer tracks to its inner ones, piece by piece; several media take their turns. */
export const zones: Effect = {
  id: 'zones',
  concerns({ bodies }) {
    for (const { store } of bodies) if (store.zones || store.sequentialSources) return true;
    return false;
  },

  next({ active }) {
    let next = Infinity;
    for (const { from, to, given, taken, in: into, out } of active) {
      if (into > 0) next = Math.min(next, Math.max(0, from.pieces.ends[from.zone]! - given) / into);
      if (out > 0) next = Math.min(next, Math.max(0, to.pieces.ends[to.zone]! - taken) / out);
    }
    return next;
  },

  arrive(state) {
    for (const { from, to, given, taken, tiny } of state.active) {
      pass(state, from, given + tiny);
      pass(state, to, taken + tiny);
    }
  },
};
