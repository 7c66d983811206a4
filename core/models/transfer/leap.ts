import type { Body, Cause, Course, Mark } from './body';

/** Snaps onto thresholds and steps; whether it has just gone low. */
export function throttle(body: Body): boolean {
  const limit = body.store.heat?.throttle;
  if (!limit) return false;
  if (Math.abs(body.warm - limit.at) < 1e-7) body.warm = limit.at;
  if (limit.kind === 'hold') return false;
  if (!body.low && body.warm >= limit.at) {
    body.low = true;
    return true;
  }
  if (body.low && body.warm <= limit.until + 1e-7) body.low = false;
  return false;
}

/** Everything that adds up, as it stands. */
export const markOf = (
  regime: number,
  time: number,
  courses: readonly Course[],
  bodies: readonly Body[],
): Mark => ({
  regime,
  time,
  flows: courses.map(({ given, taken, by }) => ({ given, taken, by: { ...by } })),
  bodies: bodies.map(({ cache, energy }) => ({ cache, energy })),
});

/** Jumps over as many whole cycles, all alike, as fit before anything else happens; s jumped. */
export function leap(
  body: Body,
  courses: readonly Course[],
  active: readonly Course[],
  bodies: readonly Body[],
  time: number,
  record: boolean,
): number {
  const mark = body.mark!;
  const cycle = time - mark.time;
  let most = Infinity;
  const room = (left: number, used: number) => (used > 0 ? (most = Math.min(most, left / used)) : undefined);
  for (const c of active) {
    const had = mark.flows[courses.indexOf(c)]!;
    const [given, taken] = [c.given - had.given, c.taken - had.taken];
    if (Number.isNaN(c.bar) && Math.abs(given - taken) > c.tiny * 1e3) return 0;
    room(c.flow.bytes - c.given, given);
    room(c.flow.bytes - c.taken, taken);
    room(c.pieces.from.ends[c.zone.from]! - c.given, given);
    room(c.pieces.to.ends[c.zone.to]! - c.taken, taken);
  }
  for (const [i, b] of bodies.entries()) {
    if (b !== body && b.store.heat) return 0;
    if (b.cache < Infinity) room(b.cache, mark.bodies[i]!.cache - b.cache);
  }
  const cycles = Math.floor(most) - 1;
  if (cycles < 1 || !Number.isFinite(cycles)) return 0;
  for (const c of active) {
    const had = mark.flows[courses.indexOf(c)]!;
    const [given, taken] = [c.given - had.given, c.taken - had.taken];
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
  return cycles * cycle;
}
