import { hooksFor, type Hooks } from './effects/known';
import { settle } from './settle';
import { begin, isActive, type Body, type FlowCourse, type EngineState } from './state';
import type { Flow } from './store';

/** What became of a flow: when it began, its bar was full and all was written; s by cause and stretches where they were asked for. */
type FlowResult = Readonly<Pick<FlowCourse, 'began' | 'bar' | 'safe' | 'by' | 'stretches'>>;

/** What became of a medium: B of cache left, °C at the end and at the hottest (NaN without heat), J drawn. */
type StoreResult = Readonly<Pick<Body, 'store' | 'cache' | 'warm' | 'hottest' | 'energy'>>;

export interface Outcome {
  seconds: number;
  flows: readonly FlowResult[];
  stores: readonly StoreResult[];
}

/** More events than this is a plan without an end. */
const MOST_EVENTS = 200_000;
const ENDLESS = 'This plan does not come to an end: something in it has no speed.';

export interface Options {
  /** Keep the stretches and what the time goes to; off, numbers only. */
  record?: boolean;
  /** Jump over whole cycles of a throttle that goes in steps; off, each is an event of its own. */
  jump?: boolean;
}

/** s until something changes. @throws RangeError where nothing ever does */
function nextEvent(state: EngineState, { next: all }: Hooks): number {
  let least = Infinity;
  for (const next of all) least = Math.min(least, next(state));
  if (least === Infinity) throw new RangeError(ENDLESS);
  return least;
}

/**
 * Runs flows from one event to the next: source ends, memory full or empty, cache used up, zone of a disk passed, throttle. Between two events all rates are
 * constant and temperatures closed-form, so the answer is exact for the model.
 * @throws RangeError for a flow without bytes or a plan without an end
 */
export function run(flows: readonly Flow[], { record = false, jump = true }: Options = {}): Outcome {
  const state = begin(flows, record, jump);
  const hooks = hooksFor(state);
  for (const start of hooks.begin) start(state);
  for (let event = 0; state.active.length > 0; event++) {
    if (event > MOST_EVENTS) throw new RangeError(ENDLESS);
    for (const limit of hooks.limit) limit(state);
    settle(state);
    const seconds = nextEvent(state, hooks);
    for (const advance of hooks.advance) advance(state, seconds);
    state.time += seconds;
    const before = state.regime;
    for (const arrive of hooks.arrive) arrive(state);
    if (state.regime !== before) state.active = state.courses.filter(isActive);
  }
  return { seconds: state.time, flows: state.courses, stores: state.bodies };
}
