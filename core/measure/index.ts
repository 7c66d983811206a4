export {
  Purpose,
  RunRequest,
  type KeptRun,
  type Label,
  type Target,
  type RealResult,
  type RunEvent,
} from './request';
export { Run, Build, Seen, Timed, RateOnly, Bound, Sample } from './run';
export { stopwatchError, PRESS } from './stopwatch';
export { t95, tPoint, mean, median, deviation, halfWidth, outliers, runsUntil } from './statistics';
export {
  measuredOf,
  explainMeasured,
  readingBounds,
  rateOfRun,
  secondsOf,
  ASSUMED_SCATTER,
  SOURCE_WORDS,
  type Measured,
} from './measured';
export { simulate, type RigRun } from './rig';
export { runsOfReal } from './real';
