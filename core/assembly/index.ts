export {
  type Layout,
  STRIP,
  cannot,
  dataMembers,
  leastMembers,
  membersTogether,
  operationsFor,
  randomMembers,
  smallWriteCost,
  survives,
  usable,
  writeMultiple,
} from './array/layout';
export { levelsBySystem } from './array/bysystem';
export { carriedBy } from './array/carried';
export { ARRAY_NAMES, layoutWords } from './array/words';
export { apart } from './apart';
export { Build, Connection, Device } from './build';
export { LOCKABLE, type Lockable } from './lock';
export { flowFreed, flowWithout } from './path/bottleneck';
export { buildPath, hardCeiling, screenPath } from './path/build';
export { type Constraint, type ConstraintId, rateOf } from './path/constraint';
export { atDepth, isBulkOnly, ownLatency } from './path/depth';
export { explainFlow, flowOf } from './path/flow';
export { bestShared } from './path/negotiate';
export { type Blocker, type PathParts, isConverting, portOf } from './path/parts';
export { type Path, type Segment, type SegmentId, isNarrow } from './path/path';
export { type Requests } from './path/requests';
export { blockWords, contentionWords, reasonOf } from './path/words';
