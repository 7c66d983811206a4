export {
  buildPath,
  explainFlow,
  hardCeiling,
  type Path,
  type Joint,
  type JointId,
  type Bottleneck,
  type Stretch,
} from './path';
export { rateOf, type Constraint, type ConstraintId } from './constraint';
export { negotiate, type Negotiated, type Participant } from './negotiate';
export { isConverting, mismatches, portOf, type PathParts } from './parts';
export { atDepth, interfaceOf, isBulkOnly } from './depth';
export type { Requests } from './requests';
export { fairShares, type Flow } from './share';
export { lastLink, type Links } from './links';
