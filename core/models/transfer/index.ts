export { run, type Outcome, type FlowResult, type StoreResult, type Options } from './engine';
export type { Stretch, Limit, Cause } from './body';
export type { Flow, Side, Store, Wire, Heat, Throttle, Zones } from './store';
export { phasesOf, momentAt, LIMIT_WORDS, type Phase } from './phase';
export { share, type Stream } from './shares';
export { LONG_FILE, SLC_SHARE } from './cells';
