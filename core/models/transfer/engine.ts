import { settlesAt, timeTo, warmAt } from '../thermal';
import { NEAR, type Body, type Cause, type Course, type Stretch } from './body';
import { leap, markOf, throttle } from './leap';
import { settleOne } from './lone';
import { settle, warmUp } from './settle';
import type { Flow, Side, Store, Wire } from './store';
import { EVEN, piecesOf } from './zones';

export interface FlowResult {
  /** When it began, when the bar was full, and when all was written, s since the start of all. */
  began: number;
  bar: number;
  safe: number;
  /** s by cause; adds up to `safe − began`. */
  by: Partial<Record<Cause, number>>;
  /** In order; empty unless asked for. */
  stretches: Stretch[];
}

export interface StoreResult {
  store: Store;
  /** B of cache left, °C at the end and at the hottest (NaN without heat), J drawn. */
  cache: number;
  warm: number;
  hottest: number;
  energy: number;
}

export interface Outcome {
  seconds: number;
  flows: FlowResult[];
  stores: StoreResult[];
}

/** More events than this is a plan without an end. */
const MOST_EVENTS = 200_000;

export interface Options {
  /** Keep the stretches. */
  record?: boolean;
  /** Jump over whole cycles of a throttle that goes in steps; off, each is an event of its own. */
  jump?: boolean;
  /** Share out as if several flows ran, even where one does: for tests of the short way. */
  general?: boolean;
}

/**
 * Runs flows from one event to the next: source ends, memory full or empty, cache used up, zone of a disk passed, throttle. Between two events all rates are
 * constant and temperatures closed-form, so the answer is exact for the model.
 * @throws RangeError for a flow without bytes or a plan without an end
 */
export function run(
  flows: readonly Flow[],
  { record = false, jump = true, general = false }: Options = {},
): Outcome {
  const bodies: Body[] = [];
  const wires: Wire[] = [];
  const bodyOf = (store: Store): Body => {
    let found = bodies.find((b) => b.store === store);
    if (!found) {
      const { heat } = store;
      const warm = heat ? (heat.start ?? settlesAt(heat.air, heat.idle, heat.resistance)) : NaN;
      found = {
        store,
        cache: store.cache,
        warm,
        low: false,
        cycling: false,
        mark: null,
        streams: 0,
        writing: 0,
        power: 0,
        to: warm,
        tau: heat ? heat.resistance * heat.capacity : 1,
        energy: 0,
        hottest: warm,
      };
      bodies.push(found);
    }
    return found;
  };
  const courses: Course[] = flows.map((flow) => {
    if (!(flow.bytes > 0)) throw new RangeError('A flow needs bytes.');
    const pieces = (side: Side) =>
      side.store.zones ? piecesOf(side.store.zones, side.at ?? 0, flow.bytes) : EVEN;
    for (const { wire } of [flow.from, flow.to]) if (wire && !wires.includes(wire)) wires.push(wire);
    return {
      flow,
      from: bodyOf(flow.from.store),
      to: bodyOf(flow.to.store),
      pieces: { from: pieces(flow.from), to: pieces(flow.to) },
      zone: { from: 0, to: 0 },
      began: flow.after === undefined ? 0 : NaN,
      given: 0,
      taken: 0,
      bar: NaN,
      safe: NaN,
      in: 0,
      out: 0,
      inLimit: 'links',
      outLimit: 'links',
      overhead: (flow.files * flow.perFile) / flow.bytes,
      tiny: flow.bytes * 1e-12 + 1e-6,
      by: {},
      stretches: [],
    };
  });

  let time = 0;
  let regime = 0;
  for (const body of bodies) throttle(body);
  let active = courses.filter(isActive);
  for (let event = 0; active.length > 0; event++) {
    if (event > MOST_EVENTS)
      throw new RangeError('This plan does not come to an end: something in it has no speed.');
    const [only] = active;
    if (
      !general &&
      active.length === 1 &&
      only!.from !== only!.to &&
      (only!.flow.from.wire ?? null) !== (only!.flow.to.wire ?? undefined)
    )
      settleOne(only!);
    else settle(active, bodies, wires);
    warmUp(active, bodies);
    const step = nextEvent(active, bodies);
    if (step === Infinity)
      throw new RangeError('This plan does not come to an end: something in it has no speed.');
    advance(active, bodies, step, time, record);
    time += step;
    const before = regime;
    regime += arrive(courses, active, time);
    for (const body of bodies) {
      if (body.cache > 0 && body.cache <= 1e-3 && body.writing > 0) {
        body.cache = 0;
        regime++;
      }
      if (regime !== before) body.cycling = false;
      const wentLow = throttle(body);
      if (!wentLow) continue;
      if (jump && body.mark?.regime === regime) time += leap(body, courses, active, bodies, time, record);
      body.cycling = body.mark?.regime === regime || body.cycling;
      body.mark = markOf(regime, time, courses, bodies);
    }
    if (regime !== before) active = courses.filter(isActive);
  }
  return {
    seconds: time,
    flows: courses.map(({ began, bar, safe, by, stretches }) => ({ began, bar, safe, by, stretches })),
    stores: bodies.map(({ store, cache, warm, hottest, energy }) => ({
      store,
      cache,
      warm,
      hottest,
      energy,
    })),
  };
}

const isActive = (c: Course): boolean => !Number.isNaN(c.began) && Number.isNaN(c.safe);

/** s until something changes. */
function nextEvent(active: readonly Course[], bodies: readonly Body[]): number {
  let next = Infinity;
  for (const c of active) {
    const { flow } = c;
    const held = c.given - c.taken;
    if (c.in > 0)
      next = Math.min(
        next,
        (flow.bytes - c.given) / c.in,
        Math.max(0, c.pieces.from.ends[c.zone.from]! - c.given) / c.in,
      );
    if (c.out > 0)
      next = Math.min(
        next,
        (flow.bytes - c.taken) / c.out,
        Math.max(0, c.pieces.to.ends[c.zone.to]! - c.taken) / c.out,
      );
    if (flow.buffer > 0 && c.in > c.out && held < flow.buffer - c.tiny)
      next = Math.min(next, (flow.buffer - held) / (c.in - c.out));
    if (flow.buffer > 0 && c.out > c.in && held > c.tiny && Number.isNaN(c.bar))
      next = Math.min(next, held / (c.out - c.in));
  }
  for (const body of bodies) {
    const { store, warm, to, tau, low } = body;
    if (body.writing > 0 && body.cache > 0 && body.cache < Infinity)
      next = Math.min(next, body.cache / body.writing);
    const throttle = store.heat?.throttle;
    if (!throttle) continue;
    if (throttle.kind === 'hold') {
      if (warm < throttle.at - NEAR && to > throttle.at + NEAR)
        next = Math.min(next, timeTo(warm, to, tau, throttle.at));
      else if (warm > throttle.at + NEAR && to < throttle.at)
        next = Math.min(next, timeTo(warm, to, tau, throttle.at));
    } else if (!low && to > throttle.at && warm < throttle.at)
      next = Math.min(next, timeTo(warm, to, tau, throttle.at));
    else if (low && to < throttle.until && warm > throttle.until)
      next = Math.min(next, timeTo(warm, to, tau, throttle.until));
  }
  return next;
}

function advance(
  active: readonly Course[],
  bodies: readonly Body[],
  step: number,
  time: number,
  record: boolean,
): void {
  for (const c of active) {
    if (record) {
      const drive = c.to.store.role === 'drive' ? c.to : c.from;
      c.stretches.push({
        from: time,
        seconds: step,
        given: c.given,
        taken: c.taken,
        bar: c.in,
        rate: c.out,
        barLimit: c.inLimit,
        limit: c.outLimit,
        warm: drive.store.heat ? { from: drive.warm, to: drive.to, tau: drive.tau } : null,
      });
    }
    c.given += c.in * step;
    c.taken += c.out * step;
    const files = c.out * step * c.overhead;
    if (files > 0) c.by.files = (c.by.files ?? 0) + files;
    c.by[c.outLimit] = (c.by[c.outLimit] ?? 0) + step - files;
  }
  for (const body of bodies) {
    const { store } = body;
    if (body.writing > 0) body.cache = Math.max(0, body.cache - body.writing * step);
    else if (store.refill && body.cache < Infinity)
      body.cache = Math.min(store.cacheMost ?? store.cache, body.cache + store.refill * step);
    body.energy += body.power * step;
    if (!store.heat) continue;
    body.warm = warmAt(body.warm, body.to, body.tau, step);
    body.hottest = Math.max(body.hottest, body.warm);
  }
}

/** Takes note of what was reached; how many things changed. */
function arrive(courses: readonly Course[], active: readonly Course[], time: number): number {
  let changes = 0;
  for (const c of active) {
    const { flow, tiny } = c;
    const held = c.given - c.taken;
    if (Number.isNaN(c.bar) && c.given >= flow.bytes - tiny) {
      c.given = flow.bytes;
      c.bar = time;
      changes++;
    }
    if (flow.buffer > 0 && Math.abs(held) <= tiny && c.out > c.in) changes++;
    if (flow.buffer > 0 && Math.abs(held - flow.buffer) <= tiny && c.in > c.out) changes++;
    for (; c.given >= c.pieces.from.ends[c.zone.from]! - tiny; changes++) c.zone.from++;
    for (; c.taken >= c.pieces.to.ends[c.zone.to]! - tiny; changes++) c.zone.to++;
    if (!Number.isNaN(c.bar) && c.taken >= flow.bytes - tiny) {
      c.taken = flow.bytes;
      c.safe = time;
      changes++;
      const i = courses.indexOf(c);
      for (const next of courses) if (next.flow.after === i) next.began = time;
    }
  }
  return changes;
}
