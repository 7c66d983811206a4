export { KeptRun, Purpose, RunEvent, RunRequest, Target, type Label, type RealResult } from './request';
export { stopwatchError, PRESS } from './stopwatch';
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
export { learnedFrom, withLearned, withPerFile, type Learned } from './learned';
export { runsOfReal } from './real';
