export {
  findings,
  blocksOf,
  screenRules,
  titleOf,
  stateOf,
  registerRule,
  RULES,
  type PathState,
} from './findings';
export { SEVERITIES, type Finding, type Severity, type Rule } from './rule';
export { factsOf, type Facts, type Setting } from './facts';
export { FILE_SYSTEMS, OWN_OF } from './filesystem';
export { settledTemperature } from './heat';
