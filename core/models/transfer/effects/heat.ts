import { settlesAt, timeTo, warmAt } from '../../thermal/warm';
import { leap, markOf } from '../leap';
import type { Body, FlowCourse } from '../state';
import type { Heat, Throttle } from '../store';
import type { Effect } from './effect';

/** How near to a temperature counts as there, K: for what is held, and for what was jumped to. */
const NEAR = 1e-9;
const THERE = 1e-7;

/** W beyond idle that a body held at its temperature may draw. */
const holdBudget = (heat: Heat, { at, floor }: { at: number; floor: number }): number =>
  Math.max(
    (at - heat.ambient) / heat.resistance - heat.idle,
    floor * (Math.max(heat.read, heat.write) - heat.idle),
  );

/** What a throttle leaves it: a share of its time in the low step, or the power that keeps its temperature. */
function hold(body: Body): void {
  const { heat } = body.store;
  const throttle = heat?.throttle;
  if (!throttle) return;
  if (throttle.kind === 'step') body.time.limit = body.low ? throttle.share : 1;
  else body.budget!.limit = body.warm >= throttle.at - NEAR ? holdBudget(heat, throttle) : Infinity;
}

/** Snaps onto thresholds and steps; whether it has just gone low. */
function step(body: Body): boolean {
  const throttle = body.store.heat?.throttle;
  if (!throttle) return false;
  if (Math.abs(body.warm - throttle.at) < THERE) body.warm = throttle.at;
  const isStep = throttle.kind === 'step';
  const wentLow = isStep && !body.low && body.warm >= throttle.at;
  if (wentLow) body.low = true;
  else if (isStep && body.low && body.warm <= throttle.until + THERE) body.low = false;
  hold(body);
  return wentLow;
}

/** W that a body draws, and where that leads it. */
function draw(body: Body, heat: Heat, active: readonly FlowCourse[]): void {
  let power = heat.idle;
  for (const { from, to, in: into, out } of active) {
    if (to.body === body)
      power += ((heat.write - heat.idle) * out) / (to.pieces.shares[to.zone]! * body.write);
    if (from.body === body)
      power += ((heat.read - heat.idle) * into) / (from.pieces.shares[from.zone]! * body.read);
  }
  body.power = power;
  body.to = settlesAt(heat.ambient, power, heat.resistance);
}

/** s until a throttle does something about a body's temperature. */
function untilThrottle({ warm, to, tau, low }: Body, throttle: Throttle): number {
  const { at } = throttle;
  if (throttle.kind === 'hold') {
    const rises = warm < at - NEAR && to > at + NEAR;
    const falls = warm > at + NEAR && to < at;
    return rises || falls ? timeTo(warm, to, tau, at) : Infinity;
  }
  if (!low) return to > at && warm < at ? timeTo(warm, to, tau, at) : Infinity;
  return to < throttle.until && warm > throttle.until ? timeTo(warm, to, tau, throttle.until) : Infinity;
}

/** A medium warms up with the power it draws, and a hot one slows itself down: held at its temperature, or in steps. */
export const heat: Effect = {
  id: 'heat',
  concerns({ bodies }) {
    for (const { store } of bodies) if (store.heat) return true;
    return false;
  },

  begin({ bodies }) {
    for (const body of bodies) {
      const { heat: of } = body.store;
      if (!of) continue;
      body.warm = of.start ?? settlesAt(of.ambient, of.idle, of.resistance);
      body.to = body.hottest = body.warm;
      body.tau = of.resistance * of.capacity;
      step(body);
    }
  },

  next({ bodies, active }) {
    let next = Infinity;
    for (const body of bodies) {
      const { heat: of } = body.store;
      if (!of) continue;
      draw(body, of, active);
      if (of.throttle) next = Math.min(next, untilThrottle(body, of.throttle));
    }
    return next;
  },

  advance({ bodies }, seconds) {
    for (const body of bodies) {
      if (!body.store.heat) continue;
      body.energy += body.power * seconds;
      body.warm = warmAt(body.warm, body.to, body.tau, seconds);
      if (body.warm > body.hottest) body.hottest = body.warm;
    }
  },

  arrive(state) {
    for (const body of state.bodies) {
      if (!body.store.heat) continue;
      // Something else changed since it last went low: its cycles are not alike any more.
      if (body.mark && body.mark.regime !== state.regime) body.cycling = false;
      if (!step(body)) continue;
      const isAlike = body.mark?.regime === state.regime;
      if (isAlike && state.jump) leap(state, body);
      body.cycling = isAlike || body.cycling;
      body.mark = markOf(state);
    }
  },
};
