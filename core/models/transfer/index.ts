export { run, type Outcome, type FlowResult, type StoreResult, type Options } from './engine';
export { registerEffect, type Effect } from './effects';
export type { Body, Cause, FlowCourse, Limit, EngineState, Stretch } from './state';
export type { Flow, Side, Store, Wire, Heat, Throttle } from './store';
export type { Zones } from './zones';
export { phasesOf, momentAt, LIMIT_WORDS, type Phase } from './phase';
export { LONG_FILE, SLC_SHARE } from './cells';
