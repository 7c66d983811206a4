import type { Effect } from './effect';

/** The host's memory takes the first bytes until it is full, and is written out after. */
export const memory: Effect = {
  id: 'memory',
  concerns({ courses }) {
    for (const { into } of courses) if (into) return true;
    return false;
  },

  next({ active }) {
    let next = Infinity;
    for (const { flow, given, taken, tiny, reading, in: into, out } of active) {
      if (!(flow.buffer > 0)) continue;
      const held = given - taken;
      if (into > out && held < flow.buffer - tiny) next = Math.min(next, (flow.buffer - held) / (into - out));
      if (out > into && held > tiny && reading) next = Math.min(next, held / (out - into));
    }
    return next;
  },

  arrive(state) {
    for (const { flow, given, taken, tiny, in: into, out } of state.active) {
      if (!(flow.buffer > 0)) continue;
      const held = given - taken;
      if (Math.abs(held) <= tiny && out > into) state.regime++;
      if (Math.abs(held - flow.buffer) <= tiny && into > out) state.regime++;
    }
  },
};
