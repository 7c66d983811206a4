import type { FlowCourse, EngineState } from '../state';
import type { Effect } from './effect';

/** Keeps a stretch, and what its time went to. */
function keep(c: FlowCourse, time: number, seconds: number): void {
  const drive = c.to.body.store.role === 'drive' ? c.to.body : c.from.body;
  c.stretches.push({
    from: time,
    seconds,
    given: c.given,
    taken: c.taken,
    bar: c.in,
    rate: c.out,
    barLimit: c.inLimit,
    limit: c.outLimit,
    warm: drive.store.heat ? { from: drive.warm, to: drive.to, tau: drive.tau } : null,
  });
  const forFiles = c.out * seconds * c.overhead;
  if (forFiles > 0) c.by.files = (c.by.files ?? 0) + forFiles;
  c.by[c.outLimit] = (c.by[c.outLimit] ?? 0) + seconds - forFiles;
}

function follow(state: EngineState, done: FlowCourse): void {
  const i = state.courses.indexOf(done);
  for (const next of state.courses)
    if (next.flow.after === i) {
      next.begun = true;
      next.began = state.time;
    }
}

/** Bytes are given and taken until there are none left. */
export const bytes: Effect = {
  id: 'bytes',

  next({ active }) {
    let next = Infinity;
    for (const { flow, given, taken, in: into, out } of active) {
      if (into > 0) next = Math.min(next, (flow.bytes - given) / into);
      if (out > 0) next = Math.min(next, (flow.bytes - taken) / out);
    }
    return next;
  },

  advance({ active, record, time }, seconds) {
    for (const c of active) {
      if (record) keep(c, time, seconds);
      c.given += c.in * seconds;
      c.taken += c.out * seconds;
    }
  },

  arrive(state) {
    for (const c of state.active) {
      const end = c.flow.bytes - c.tiny;
      if (c.reading && c.given >= end) {
        c.given = c.flow.bytes;
        c.reading = false;
        c.bar = state.time;
        state.regime++;
      }
      if (!c.reading && c.taken >= end) {
        c.taken = c.flow.bytes;
        c.done = true;
        c.safe = state.time;
        state.regime++;
        follow(state, c);
      }
    }
  },
};
