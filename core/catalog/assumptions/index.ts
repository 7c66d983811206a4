export { ASSUMPTIONS, ASSUMPTION_IDS, assumed, assumedRange, isAssumptionId, marketOf } from './table';
export type { AssumptionId, OwnRanges } from './table';
export type { Assumption, Use } from './row';
export { readRanges, writeRanges } from './file';
export { remembered } from './remembered';
