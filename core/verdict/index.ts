export { measuredClaims, verdict } from './verdict';
export { quickVerdict } from './quick';
export { verdictFrom, type Verdict } from './sum';
export {
  caseMeasured,
  lastMeasured,
  heldAgainst,
  MODEL_SIGMA,
  type Claim,
  type MeasuredCase,
  type Right,
  type TargetAnswer,
} from './claim';
