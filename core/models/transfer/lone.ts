import { mediumLimit, NEAR, rateOf, type Body, type Course, type Limit } from './body';
import type { Heat, Side } from './store';

/** B between two switches of a disk that serves several streams [memory]. */
export const CHUNK = 4e6;

/** What one side of a lone flow allows: before the files' own cost, what its warmth allows on average, and what decides. */
const alone = { bare: 0, hold: 0, limit: 'links' as Limit };

function lookAt(c: Course, side: Side, body: Body, direction: 'read' | 'write', zone: number): void {
  const { store } = side;
  const { heat } = store;
  const rate = rateOf(body, direction, zone);
  const perByte =
    1 / rate + (store.seek && (c.flow.streams ?? 1) > 1 ? store.seek / (store.chunk ?? CHUNK) : 0);
  const throttle = heat?.throttle;
  const low = body.low && throttle?.kind === 'step';
  alone.bare = (low ? throttle.share : 1) / perByte;
  alone.limit = low || body.cycling ? 'heat' : mediumLimit(body, direction === 'write');
  const through = side.wire?.[direction] ?? Infinity;
  if (through < alone.bare) {
    alone.bare = through;
    alone.limit = side.wire!.role;
  }
  alone.hold =
    throttle?.kind === 'hold' && body.warm >= throttle.at - NEAR
      ? (holdBudget(heat!, throttle) * rate) / (heat![direction] - heat!.idle)
      : Infinity;
}

/** W beyond idle that a body held at its temperature may draw. */
export const holdBudget = (heat: Heat, { at, floor }: { at: number; floor: number }): number =>
  Math.max(
    (at - heat.air) / heat.resistance - heat.idle,
    floor * (Math.max(heat.read, heat.write) - heat.idle),
  );

/** Rates of one flow whose two ends share nothing: the same answer the short way. */
export function settleOne(c: Course): void {
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
