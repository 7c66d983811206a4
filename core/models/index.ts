export { lossOver, rebuildFails, rebuildReads, rebuildTime } from './arrays/risk';
export { type Keeping, fillBy, fillsIn, keeping, lacking, usableOf } from './copies/copies';
export { Copy, holdsData } from './copies/copy';
export { type Day, type Kept, type Repeated, repeat } from './days/repeat';
export { formatEnd, formatFromSheet } from './disks/format';
export { timeShare } from './disks/zone';
export { EnduranceInput, type Life, enduranceJsonSchema, life, workloadShare } from './endurance/life';
export { type WrittenReading } from './endurance/rate';
export { type CacheFit, type MovedBy, fitCache } from './fits/cache';
export { type CopyTiming, type PerFileFit, fitPerFile } from './fits/perfile';
export { fitZones } from './fits/zones';
export { type HealthCounters, type ToldHealth } from './health/counters';
export { linesOf } from './health/lines';
export { fromPasted } from './health/pasted';
export { readHealth } from './health/read';
export { type LoadDevice, type LoadFit, type LoadTiming, fitLoad, fitted } from './loads/fit';
export {
  type IsFelt,
  NOTICED,
  type Opened,
  compareLoads,
  felt,
  forecastLoad,
  loadInputs,
  noticeable,
} from './loads/load';
export {
  type Operations,
  behindCache,
  operationsPerSecond,
  scratchDay,
  waitFor,
  waitInputs,
} from './random/iops';
export { coolingOf, isExternal } from './thermal/cooling';
export { drawAt, usualDraw } from './thermal/power';
export { THROTTLES_AT } from './thermal/throttle';
export { LONG_FILE, SLC_SHARE } from './transfer/cells';
export { type Effect } from './transfer/effects/effect';
export { registerEffect } from './transfer/effects/known';
export { type Outcome, run } from './transfer/engine';
export { type Phase, momentAt, phasesOf } from './transfer/phase';
export { type Cause, type Stretch } from './transfer/state';
export { type Flow, type Heat, type Side, type Store, type Wire } from './transfer/store';
export { healthAdvice, healthLines } from './health/told';
