import { alone, share } from './share';
import type { Body, FlowCourse, Limit, FlowEnd, Resource, EngineState, Taker } from './state';

function clear(taker: Taker): void {
  taker.count = 0;
  taker.powered = false;
}

function need(taker: Taker, of: Resource, coefficient: number, apart: boolean): void {
  const { uses, coefficients, count } = taker;
  if (!apart)
    for (let i = 0; i < count; i++)
      if (uses[i] === of) {
        coefficients[i]! += coefficient;
        return;
      }
  uses[count] = of;
  coefficients[count] = coefficient;
  taker.count++;
}

/** What one end needs for each B/s: time of its medium, power where that is held to its temperature, its wire. */
function needSide(
  taker: Taker,
  { body, lane, through, pieces, zone }: FlowEnd,
  direction: 'read' | 'write',
  apart: boolean,
): void {
  const perByte = 1 / (pieces.shares[zone]! * body[direction]);
  need(taker, body.time, perByte + body.switching, apart);
  if (body.budget && body.budget.limit < Infinity) {
    const { heat } = body.store;
    need(taker, body.budget, (heat![direction] - heat!.idle) * perByte, apart);
    taker.powered = true;
  }
  if (lane) need(taker, lane, 1 / through, apart);
}

/** How fast a taker could go alone: its resources, what it is asked for at most, and the files' own cost in between. */
function bound(taker: Taker, { asked, overhead }: FlowCourse, reads: boolean): void {
  const { uses, coefficients, count } = taker;
  let bare = reads ? asked : Infinity;
  for (let i = 0; i < count; i++)
    if (uses[i]!.kind !== 'power') bare = Math.min(bare, uses[i]!.limit / coefficients[i]!);
  taker.most = overhead === 0 ? bare : 1 / (1 / bare + overhead);
}

/** What a medium's own rate counts as. */
function mediumName(body: Body, course: FlowCourse, writes: boolean): Limit {
  const { store, cache } = body;
  if (body.low || body.cycling) return 'heat';
  const isWritten = writes && body === course.to.body;
  const isPast = cache <= 0 && store.sustained < store.write;
  if (store.role === 'other') return isWritten && isPast ? 'other rest' : 'other';
  if (!isWritten || store.cache === Infinity) return 'drive';
  return cache > 0 ? 'cache' : isPast || store.cache > 0 ? 'rest' : 'drive';
}

/** What a resource is called where it decides. */
function nameOf({ kind, body, role }: Resource, course: FlowCourse, writes: boolean): Limit {
  if (kind === 'wire') return role;
  return kind === 'power' ? 'heat' : mediumName(body!, course, writes);
}

/** What holds a taker: the resource that was full, or the tightest of its own. */
function holding(taker: Taker, c: FlowCourse, reads: boolean, writes: boolean): Limit {
  const { held, uses, coefficients, count } = taker;
  if (held) return held.users > 1 ? 'share' : nameOf(held, c, writes);
  let least = reads ? c.asked : Infinity;
  let tightest: Resource | null = null;
  for (let i = 0; i < count; i++) {
    const rate = uses[i]!.limit / coefficients[i]!;
    if (uses[i]!.kind === 'power' || rate > least || (rate === least && tightest)) continue;
    least = rate;
    tightest = uses[i]!;
  }
  return tightest ? nameOf(tightest, c, writes) : c.askedBy;
}

/** Nothing can be written that is not there, nothing taken that has no room: then giving and taking run as one. */
function isStuck({ given, taken, tiny, flow, in: into, out }: FlowCourse): boolean {
  const held = given - taken;
  return (held <= tiny && out > into) || (held >= flow.buffer - tiny && into > out);
}

/** Where giving and taking meet nobody, running as one is running at the lesser rate of the two. */
function runAsOne(c: FlowCourse): void {
  if (c.out > c.in) {
    c.out = c.in;
    c.outLimit = c.inLimit;
  } else {
    c.in = c.out;
    c.inLimit = c.outLimit;
  }
}

/** Rates of everything that flows, fairly shared. */
export function settle({ active, resources, takers, record }: EngineState): void {
  for (const c of active) c.coupled = c.reading && !c.into;
  for (let round = 0; round <= active.length; round++) {
    let count = 0;
    for (const c of active) {
      const { outOf } = c;
      const into = c.reading && !c.coupled ? c.into : null;
      clear(outOf);
      if (into) {
        clear(into);
        needSide(into, c.from, 'read', true);
        bound(into, c, true);
        takers[count++] = into;
      } else if (c.reading) needSide(outOf, c.from, 'read', c.apart);
      needSide(outOf, c.to, 'write', c.apart);
      bound(outOf, c, c.coupled);
      takers[count++] = outOf;
    }
    const lone = active.length === 1 && active[0]!.apart;
    if (lone) for (let t = 0; t < count; t++) alone(takers[t]!);
    const meet = !lone && share(takers, count, resources);
    let again = false;
    for (const c of active) {
      const { outOf } = c;
      const into = c.reading && !c.coupled ? c.into : null;
      c.in = c.reading ? (into ?? outOf).rate : 0;
      c.out = outOf.rate;
      if (record) {
        c.outLimit = holding(outOf, c, c.coupled, true);
        c.inLimit = !c.reading ? 'memory' : into ? holding(into, c, true, false) : c.outLimit;
      }
      if (!into || !isStuck(c)) continue;
      if (meet) again = c.coupled = true;
      else runAsOne(c);
    }
    if (!again) break;
  }
}
