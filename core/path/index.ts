export { buildPath, explainFlow, hardCeiling, type Path, type Joint, type Bottleneck, type Stretch } from './path';
export { rateOf, type Constraint } from './constraint';
export { negotiate, type Negotiated, type Participant } from './negotiate';
export type { PathParts } from './parts';
export { findings, type Finding, type Severity } from './finding';
