import { settlesAt, timeTo, warmAt } from '../heat';
import { share, type Stream, type Use } from './shares';
import type { Flow, Heat, Side, Store, Wire } from './store';
import { EVEN, piecesOf, type Pieces } from './zones';

/** What holds a stretch of a transfer at its rate. */
export type Limit = 'links' | 'other' | 'other rest' | 'cache' | 'rest' | 'drive' | 'heat' | 'memory' | 'pace' | 'share';
/** Where time goes: what holds the rate, and the files' own cost. */
export type Cause = Limit | 'files';

/** Everything constant, or closed-form in the case of warmth, between two events. */
export interface Stretch {
  /** s since the start of all. */
  from: number;
  seconds: number;
  /** B that the source had given and the destination had taken when it began. */
  given: number;
  taken: number;
  /** B/s that the progress bar shows, and that are really written. */
  bar: number;
  rate: number;
  /** What holds the bar, and what holds the writing. */
  barLimit: Limit;
  limit: Limit;
  /** °C of the drive: at the beginning, where it is heading, with which time constant; null for what does not warm up. */
  warm: { from: number; to: number; tau: number } | null;
}

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

/** A medium under way. */
interface Body {
  store: Store;
  cache: number;
  warm: number;
  /** In the low step of a throttle that goes in steps. */
  low: boolean;
  /** Goes up and down between its steps with nothing else changing. */
  cycling: boolean;
  /** State when it last went low, to jump over whole cycles. */
  mark: Mark | null;
  streams: number;
  writing: number;
  power: number;
  to: number;
  tau: number;
  energy: number;
  hottest: number;
}

interface Mark {
  regime: number;
  time: number;
  flows: { given: number; taken: number; by: Partial<Record<Cause, number>> }[];
  bodies: { cache: number; energy: number }[];
}

interface Course {
  flow: Flow;
  from: Body;
  to: Body;
  pieces: { from: Pieces; to: Pieces };
  zone: { from: number; to: number };
  began: number;
  given: number;
  taken: number;
  bar: number;
  safe: number;
  in: number;
  out: number;
  inLimit: Limit;
  outLimit: Limit;
  overhead: number;
  tiny: number;
  by: Partial<Record<Cause, number>>;
  stretches: Stretch[];
}

/** More events than this is a plan without an end. */
const MOST_EVENTS = 200_000;
/** How near to a temperature counts as there, K. */
const NEAR = 1e-9;

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
export function run(flows: readonly Flow[], { record = false, jump = true, general = false }: Options = {}): Outcome {
  const bodies: Body[] = [];
  const wires: Wire[] = [];
  const bodyOf = (store: Store): Body => {
    let found = bodies.find((b) => b.store === store);
    if (!found) {
      const { heat } = store;
      const warm = heat ? (heat.start ?? settlesAt(heat.air, heat.idle, heat.resistance)) : NaN;
      found = { store, cache: store.cache, warm, low: false, cycling: false, mark: null, streams: 0, writing: 0, power: 0, to: warm, tau: heat ? heat.resistance * heat.capacity : 1, energy: 0, hottest: warm };
      bodies.push(found);
    }
    return found;
  };
  const courses: Course[] = flows.map((flow) => {
    if (!(flow.bytes > 0)) throw new RangeError('A flow needs bytes.');
    const pieces = (side: Side) => (side.store.zones ? piecesOf(side.store.zones, side.at ?? 0, flow.bytes) : EVEN);
    for (const { wire } of [flow.from, flow.to]) if (wire && !wires.includes(wire)) wires.push(wire);
    return {
      flow, from: bodyOf(flow.from.store), to: bodyOf(flow.to.store), pieces: { from: pieces(flow.from), to: pieces(flow.to) }, zone: { from: 0, to: 0 },
      began: flow.after === undefined ? 0 : NaN, given: 0, taken: 0, bar: NaN, safe: NaN, in: 0, out: 0, inLimit: 'links', outLimit: 'links',
      overhead: (flow.files * flow.perFile) / flow.bytes, tiny: flow.bytes * 1e-12 + 1e-6, by: {}, stretches: [],
    };
  });

  let time = 0;
  let regime = 0;
  for (const body of bodies) throttle(body);
  let active = courses.filter(isActive);
  for (let event = 0; active.length > 0; event++) {
    if (event > MOST_EVENTS) throw new RangeError('This plan does not come to an end: something in it has no speed.');
    const [only] = active;
    if (!general && active.length === 1 && only!.from !== only!.to && (only!.flow.from.wire ?? null) !== (only!.flow.to.wire ?? undefined)) settleOne(only!);
    else settle(active, bodies, wires);
    warmUp(active, bodies);
    const step = nextEvent(active, bodies);
    if (step === Infinity) throw new RangeError('This plan does not come to an end: something in it has no speed.');
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
    stores: bodies.map(({ store, cache, warm, hottest, energy }) => ({ store, cache, warm, hottest, energy })),
  };
}

const isActive = (c: Course): boolean => !Number.isNaN(c.began) && Number.isNaN(c.safe);

/** What one side of a lone flow allows: before the files' own cost, what its warmth allows on average, and what decides. */
const alone = { bare: 0, hold: 0, limit: 'links' as Limit };

function lookAt(c: Course, side: Side, body: Body, direction: 'read' | 'write', zone: number): void {
  const { store } = side;
  const { heat } = store;
  const rate = rateOf(body, direction, zone);
  const perByte = 1 / rate + (store.seek && (c.flow.streams ?? 1) > 1 ? store.seek / (store.chunk ?? CHUNK) : 0);
  const throttle = heat?.throttle;
  const low = body.low && throttle?.kind === 'step';
  alone.bare = (low ? throttle.share : 1) / perByte;
  alone.limit = low || body.cycling ? 'heat' : mediumLimit(body, direction === 'write');
  const through = side.wire?.[direction] ?? Infinity;
  if (through < alone.bare) {
    alone.bare = through;
    alone.limit = side.wire!.role;
  }
  alone.hold = throttle?.kind === 'hold' && body.warm >= throttle.at - NEAR ? (holdBudget(heat!, throttle) * rate) / (heat![direction] - heat!.idle) : Infinity;
}

const holdBudget = (heat: Heat, { at, floor }: { at: number; floor: number }): number => Math.max((at - heat.air) / heat.resistance - heat.idle, floor * (Math.max(heat.read, heat.write) - heat.idle));

/** {@link settle} for one flow whose two ends share nothing: the same answer the short way. */
function settleOne(c: Course): void {
  const { flow, overhead } = c;
  const reading = Number.isNaN(c.bar);
  lookAt(c, flow.to, c.to, 'write', c.pieces.to.shares[c.zone.to]!);
  const outHold = alone.hold;
  let { bare: out, limit: outLimit } = alone;
  let [into, inLimit]: [number, Limit] = [0, 'memory'];
  if (reading) {
    lookAt(c, flow.from, c.from, 'read', c.pieces.from.shares[c.zone.from]!);
    into = alone.bare;
    inLimit = alone.limit;
    const inHold = alone.hold;
    const pace = flow.pace ?? Infinity;
    const memory = flow.memory ?? Infinity;
    if (Math.min(pace, memory) < into) {
      into = Math.min(pace, memory);
      inLimit = pace <= memory ? 'pace' : 'memory';
    }
    if (overhead > 0) into = 1 / (1 / into + overhead);
    if (inHold < into) {
      into = inHold;
      inLimit = 'heat';
    }
  }
  if (overhead > 0) out = 1 / (1 / out + overhead);
  if (outHold < out) {
    out = outHold;
    outLimit = 'heat';
  }
  if (reading) {
    const held = c.given - c.taken;
    const none = !(flow.buffer > 0);
    if (out > into && (none || held <= c.tiny)) {
      out = into;
      outLimit = inLimit;
    } else if (into > out && (none || held >= flow.buffer - c.tiny)) {
      into = out;
      inLimit = outLimit;
    }
  }
  c.in = into;
  c.out = out;
  c.inLimit = inLimit;
  c.outLimit = outLimit;
}

/** What a medium's own rate counts as. */
function mediumLimit({ store, cache }: Body, writes: boolean): Limit {
  if (store.role === 'other') return writes && cache <= 0 && store.rest < store.write ? 'other rest' : 'other';
  if (!writes || store.cache === Infinity) return 'drive';
  return cache > 0 ? 'cache' : store.rest < store.write || store.cache > 0 ? 'rest' : 'drive';
}

/** Rates of everything that flows, fairly shared. */
function settle(active: readonly Course[], bodies: readonly Body[], wires: readonly Wire[]): void {
  for (const body of bodies) body.streams = 0;
  for (const c of active) {
    const n = c.flow.streams ?? 1;
    if (Number.isNaN(c.bar)) c.from.streams += n;
    c.to.streams += n;
  }
  const limits = limitsOf(bodies, wires);
  const coupled = active.map((c) => !(c.flow.buffer > 0) && Number.isNaN(c.bar));
  for (let round = 0; ; round++) {
    const streams: Stream[] = [];
    for (let i = 0; i < active.length; i++) {
      const c = active[i]!;
      const reading = Number.isNaN(c.bar);
      const own: Use[] = [];
      if (reading) useSide(own, c.flow.from, c.from, 'read', c.pieces.from.shares[c.zone.from]!, bodies, wires);
      if (!coupled[i] && reading) {
        streams.push(streamOf(own.splice(0), limits, 2 * bodies.length, c, true));
      }
      useSide(own, c.flow.to, c.to, 'write', c.pieces.to.shares[c.zone.to]!, bodies, wires);
      streams.push(streamOf(own, limits, 2 * bodies.length, c, coupled[i]! && reading));
    }
    share(streams, limits);
    let at = 0;
    let again = false;
    for (let i = 0; i < active.length; i++) {
      const c = active[i]!;
      const reading = Number.isNaN(c.bar);
      const first = streams[at++]!;
      const out = reading && !coupled[i] ? streams[at++]! : first;
      c.in = reading ? first.rate : 0;
      c.out = out.rate;
      c.inLimit = reading ? limitOf(first, c, bodies, wires, streams) : 'memory';
      c.outLimit = limitOf(out, c, bodies, wires, streams);
      if (!reading || coupled[i]) continue;
      // Nothing can be written that is not there, nothing taken that has no room: then both run as one.
      const held = c.given - c.taken;
      if ((held <= c.tiny && c.out > c.in) || (held >= c.flow.buffer - c.tiny && c.in > c.out)) {
        coupled[i] = true;
        again = true;
      }
    }
    if (!again || round > active.length) break;
  }
}

/** What each body draws at these rates, and where it is heading. */
function warmUp(active: readonly Course[], bodies: readonly Body[]): void {
  for (const body of bodies) {
    const { heat } = body.store;
    let power = heat?.idle ?? 0;
    body.writing = 0;
    for (const c of active) {
      if (c.to === body) {
        body.writing += c.out;
        if (heat) power += ((heat.write - heat.idle) * c.out) / rateOf(body, 'write', c.pieces.to.shares[c.zone.to]!);
      }
      if (heat && c.from === body) power += ((heat.read - heat.idle) * c.in) / rateOf(body, 'read', c.pieces.from.shares[c.zone.from]!);
    }
    body.power = power;
    if (heat) body.to = settlesAt(heat.air, power, heat.resistance);
  }
}

/** B/s of a medium at this moment, alone. */
function rateOf({ store, cache }: Body, direction: 'read' | 'write', zone: number): number {
  return zone * (direction === 'read' ? store.read : cache > 0 ? store.write : Math.min(store.write, store.rest));
}

/** Resources: of each body its time and its power, of each wire its two directions. */
function limitsOf(bodies: readonly Body[], wires: readonly Wire[]): number[] {
  const limits: number[] = [];
  for (const { store, low, warm } of bodies) {
    const { heat } = store;
    const throttle = heat?.throttle;
    limits.push(throttle?.kind === 'step' && low ? throttle.share : 1);
    const held = heat && throttle?.kind === 'hold' && warm >= throttle.at - NEAR;
    limits.push(held ? holdBudget(heat, throttle) : Infinity);
  }
  for (let i = 0; i < wires.length; i++) limits.push(1, 1);
  return limits;
}

function useSide(into: Use[], side: Side, body: Body, direction: 'read' | 'write', zone: number, bodies: readonly Body[], wires: readonly Wire[]): void {
  const { store } = side;
  const { heat } = store;
  const b = bodies.indexOf(body);
  const perByte = 1 / rateOf(body, direction, zone);
  into.push({ resource: 2 * b, coefficient: perByte + (store.seek && body.streams > 1 ? store.seek / (store.chunk ?? CHUNK) : 0) });
  if (heat?.throttle?.kind === 'hold') into.push({ resource: 2 * b + 1, coefficient: (heat[direction] - heat.idle) * perByte });
  if (side.wire) into.push({ resource: 2 * bodies.length + 2 * wires.indexOf(side.wire) + (direction === 'write' && !side.wire.halfDuplex ? 1 : 0), coefficient: 1 / side.wire[direction] });
}

/** B between two switches of a disk that serves several streams [memory]. */
const CHUNK = 4e6;

/**
 * How fast a stream could go alone: its resources, what memory takes or the pace allows, and the files' own cost in between. What a body is held to
 * by its warmth is an average and comes after: in the pauses for files it cools.
 */
function streamOf(uses: Use[], limits: readonly number[], holds: number, { flow, overhead }: Course, reading: boolean): Stream {
  let bare = reading ? Math.min(flow.pace ?? Infinity, flow.memory ?? Infinity) : Infinity;
  for (let i = 0; i < uses.length; i++) {
    const { resource } = uses[i]!;
    if (limits[resource] === Infinity || (resource % 2 === 1 && resource < holds)) continue;
    let sum = 0;
    for (let j = 0; j < uses.length; j++) if (uses[j]!.resource === resource) sum += uses[j]!.coefficient;
    bare = Math.min(bare, limits[resource]! / sum);
  }
  return { most: overhead === 0 ? bare : 1 / (1 / bare + overhead), uses, rate: 0, held: -1 };
}

/** What holds a stream: the resource that was full, or the tightest of its own. */
function limitOf(stream: Stream, c: Course, bodies: readonly Body[], wires: readonly Wire[], streams: readonly Stream[]): Limit {
  let held = stream.held;
  if (held < 0) {
    const limits = limitsOf(bodies, wires);
    let least = Math.min(c.flow.pace ?? Infinity, c.flow.memory ?? Infinity);
    const paced = least === c.flow.pace;
    for (const { resource } of stream.uses) {
      if (resource % 2 === 1 && resource < 2 * bodies.length) continue;
      let sum = 0;
      for (const use of stream.uses) if (use.resource === resource) sum += use.coefficient;
      const rate = limits[resource]! / sum;
      if (rate < least || (rate === least && held < 0)) {
        least = rate;
        held = resource;
      }
    }
    if (held < 0) return paced ? 'pace' : 'memory';
  } else if (streams.some((s) => s !== stream && s.uses.some((u) => u.resource === held) && s.uses[0] !== stream.uses[0])) return 'share';
  if (held >= 2 * bodies.length) return wires[(held - 2 * bodies.length) >> 1]!.role;
  const body = bodies[held >> 1]!;
  if (held % 2 === 1 || body.low || body.cycling) return 'heat';
  return mediumLimit(body, body === c.to && (c.from !== c.to || stream.uses.length > 2));
}

/** s until something changes. */
function nextEvent(active: readonly Course[], bodies: readonly Body[]): number {
  let next = Infinity;
  for (const c of active) {
    const { flow } = c;
    const held = c.given - c.taken;
    if (c.in > 0) next = Math.min(next, (flow.bytes - c.given) / c.in, Math.max(0, c.pieces.from.ends[c.zone.from]! - c.given) / c.in);
    if (c.out > 0) next = Math.min(next, (flow.bytes - c.taken) / c.out, Math.max(0, c.pieces.to.ends[c.zone.to]! - c.taken) / c.out);
    if (flow.buffer > 0 && c.in > c.out && held < flow.buffer - c.tiny) next = Math.min(next, (flow.buffer - held) / (c.in - c.out));
    if (flow.buffer > 0 && c.out > c.in && held > c.tiny && Number.isNaN(c.bar)) next = Math.min(next, held / (c.out - c.in));
  }
  for (const body of bodies) {
    const { store, warm, to, tau, low } = body;
    if (body.writing > 0 && body.cache > 0 && body.cache < Infinity) next = Math.min(next, body.cache / body.writing);
    const throttle = store.heat?.throttle;
    if (!throttle) continue;
    if (throttle.kind === 'hold') {
      if (warm < throttle.at - NEAR && to > throttle.at + NEAR) next = Math.min(next, timeTo(warm, to, tau, throttle.at));
      else if (warm > throttle.at + NEAR && to < throttle.at) next = Math.min(next, timeTo(warm, to, tau, throttle.at));
    } else if (!low && to > throttle.at && warm < throttle.at) next = Math.min(next, timeTo(warm, to, tau, throttle.at));
    else if (low && to < throttle.until && warm > throttle.until) next = Math.min(next, timeTo(warm, to, tau, throttle.until));
  }
  return next;
}

function advance(active: readonly Course[], bodies: readonly Body[], step: number, time: number, record: boolean): void {
  for (const c of active) {
    if (record) {
      const drive = c.to.store.role === 'drive' ? c.to : c.from;
      c.stretches.push({ from: time, seconds: step, given: c.given, taken: c.taken, bar: c.in, rate: c.out, barLimit: c.inLimit, limit: c.outLimit, warm: drive.store.heat ? { from: drive.warm, to: drive.to, tau: drive.tau } : null });
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
    else if (store.refill && body.cache < Infinity) body.cache = Math.min(store.cacheMost ?? store.cache, body.cache + store.refill * step);
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

/** Snaps onto thresholds and steps; whether it has just gone low. */
function throttle(body: Body): boolean {
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

const markOf = (regime: number, time: number, courses: readonly Course[], bodies: readonly Body[]): Mark => ({
  regime,
  time,
  flows: courses.map(({ given, taken, by }) => ({ given, taken, by: { ...by } })),
  bodies: bodies.map(({ cache, energy }) => ({ cache, energy })),
});

/** Jumps over as many whole cycles, all alike, as fit before anything else happens; s jumped. */
function leap(body: Body, courses: readonly Course[], active: readonly Course[], bodies: readonly Body[], time: number, record: boolean): number {
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
    if (record) c.stretches.push({ from: time, seconds: cycles * cycle, given: c.given, taken: c.taken, bar: given / cycle, rate: taken / cycle, barLimit: 'heat', limit: 'heat', warm: { from: body.warm, to: body.warm, tau: body.tau } });
    for (const [cause, seconds] of Object.entries(c.by) as [Cause, number][]) c.by[cause] = seconds + cycles * (seconds - (had.by[cause] ?? 0));
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
