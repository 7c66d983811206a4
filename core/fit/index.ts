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
export { factsOf, familiesOf, type Facts, type Setting } from './facts';
export { fileSystemFor, formatsByItself } from './filesystem';
export { deadPorts } from './shape';
export { settledTemperature, warmth } from './heat';
