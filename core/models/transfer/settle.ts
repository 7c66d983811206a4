import { settlesAt } from '../thermal';
import { mediumLimit, NEAR, rateOf, type Body, type Course, type Limit } from './body';
import { CHUNK, holdBudget } from './lone';
import { share, type Stream, type Use } from './shares';
import type { Side, Wire } from './store';

/** Rates of everything that flows, fairly shared. */
export function settle(active: readonly Course[], bodies: readonly Body[], wires: readonly Wire[]): void {
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
      if (reading)
        useSide(own, c.flow.from, c.from, 'read', c.pieces.from.shares[c.zone.from]!, bodies, wires);
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
      c.inLimit = reading ? limitOf(first, c, bodies, wires, streams, coupled[i]!) : 'memory';
      c.outLimit = limitOf(out, c, bodies, wires, streams, true);
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
export function warmUp(active: readonly Course[], bodies: readonly Body[]): void {
  for (const body of bodies) {
    const { heat } = body.store;
    let power = heat?.idle ?? 0;
    body.writing = 0;
    for (const c of active) {
      if (c.to === body) {
        body.writing += c.out;
        if (heat)
          power += ((heat.write - heat.idle) * c.out) / rateOf(body, 'write', c.pieces.to.shares[c.zone.to]!);
      }
      if (heat && c.from === body)
        power += ((heat.read - heat.idle) * c.in) / rateOf(body, 'read', c.pieces.from.shares[c.zone.from]!);
    }
    body.power = power;
    if (heat) body.to = settlesAt(heat.air, power, heat.resistance);
  }
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

function useSide(
  into: Use[],
  side: Side,
  body: Body,
  direction: 'read' | 'write',
  zone: number,
  bodies: readonly Body[],
  wires: readonly Wire[],
): void {
  const { store } = side;
  const { heat } = store;
  const b = bodies.indexOf(body);
  const perByte = 1 / rateOf(body, direction, zone);
  into.push({
    resource: 2 * b,
    coefficient: perByte + (store.seek && body.streams > 1 ? store.seek / (store.chunk ?? CHUNK) : 0),
  });
  if (heat?.throttle?.kind === 'hold')
    into.push({ resource: 2 * b + 1, coefficient: (heat[direction] - heat.idle) * perByte });
  if (side.wire)
    into.push({
      resource:
        2 * bodies.length +
        2 * wires.indexOf(side.wire) +
        (direction === 'write' && !side.wire.halfDuplex ? 1 : 0),
      coefficient: 1 / side.wire[direction],
    });
}

/**
 * How fast a stream could go alone: its resources, what memory takes or the pace allows, and the files' own cost in between. What a body is held to
 * by its warmth is an average and comes after: in the pauses for files it cools.
 */
function streamOf(
  uses: Use[],
  limits: readonly number[],
  holds: number,
  { flow, overhead }: Course,
  reading: boolean,
): Stream {
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
function limitOf(
  stream: Stream,
  c: Course,
  bodies: readonly Body[],
  wires: readonly Wire[],
  streams: readonly Stream[],
  writes: boolean,
): Limit {
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
  } else if (
    streams.some(
      (s) => s !== stream && s.uses.some((u) => u.resource === held) && s.uses[0] !== stream.uses[0],
    )
  )
    return 'share';
  if (held >= 2 * bodies.length) return wires[(held - 2 * bodies.length) >> 1]!.role;
  const body = bodies[held >> 1]!;
  if (held % 2 === 1 || body.low || body.cycling) return 'heat';
  return mediumLimit(body, body === c.to && writes);
}
