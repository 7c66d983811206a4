import type { Body, Cause, FlowCourse, Mark, EngineState } from './state';

/** Everything that adds up, as it stands. */
export const markOf = ({ regime, time, courses, bodies }: EngineState): Mark => ({
  regime,
  time,
  flows: courses.map(({ given, taken, by }) => ({ given, taken, by: { ...by } })),
  bodies: bodies.map(({ cache, energy }) => ({ cache, energy })),
});

/** What one cycle moved of a course. */
function cycleOf(c: FlowCourse, had: Mark['flows'][number]): { given: number; taken: number } {
  return { given: c.given - had.given, taken: c.taken - had.taken };
}

/** How many whole cycles fit before anything else happens. */
function room({ courses, active, bodies }: EngineState, body: Body, mark: Mark): number {
  let most = Infinity;
  const fit = (left: number, used: number) => {
    if (used > 0) most = Math.min(most, left / used);
  };
  for (const c of active) {
    const { given, taken } = cycleOf(c, mark.flows[courses.indexOf(c)]!);
    if (c.reading && Math.abs(given - taken) > c.tiny * 1e3) return 0;
    fit(c.flow.bytes - c.given, given);
    fit(c.flow.bytes - c.taken, taken);
    fit(c.from.pieces.ends[c.from.zone]! - c.given, given);
    fit(c.to.pieces.ends[c.to.zone]! - c.taken, taken);
  }
  for (const [i, b] of bodies.entries()) {
    if (b !== body && b.store.heat) return 0;
    if (b.cache < Infinity) fit(b.cache, mark.bodies[i]!.cache - b.cache);
  }
  const cycles = Math.floor(most) - 1;
  return Number.isFinite(cycles) ? Math.max(0, cycles) : 0;
}

/** Jumps over as many whole cycles of a throttle, all alike, as fit before anything else happens. */
export function leap(state: EngineState, body: Body): void {
  const { courses, active, bodies, record, time } = state;
  const mark = body.mark!;
  const cycle = time - mark.time;
  const cycles = room(state, body, mark);
  if (cycles < 1) return;
  for (const c of active) {
    const had = mark.flows[courses.indexOf(c)]!;
    const { given, taken } = cycleOf(c, had);
    if (record)
      c.stretches.push({
        from: time,
        seconds: cycles * cycle,
        given: c.given,
        taken: c.taken,
        bar: given / cycle,
        rate: taken / cycle,
        barLimit: 'heat',
        limit: 'heat',
        warm: { from: body.warm, to: body.warm, tau: body.tau },
      });
    for (const [cause, seconds] of Object.entries(c.by) as [Cause, number][])
      c.by[cause] = seconds + cycles * (seconds - (had.by[cause] ?? 0));
    c.given += cycles * given;
    c.taken += cycles * taken;
  }
  bodies.forEach((b, i) => {
    const had = mark.bodies[i]!;
    if (b.cache < Infinity) b.cache -= cycles * (had.cache - b.cache);
    b.energy += cycles * (b.energy - had.energy);
  });
  state.time += cycles * cycle;
}
