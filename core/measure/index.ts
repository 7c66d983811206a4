export {
  isEnd,
  KeptRun,
  Purpose,
  RunEvent,
  RunRequest,
  Target,
  Watchable,
  type CopyRequest,
  type EndEvent,
  type GoingEvent,
  type Label,
  type ProbeRequest,
  type RandomRequest,
  type RealResult,
  type SequentialRequest,
  type WatchRequest,
} from './request';
export * from './watch';
export { stopwatchError, thumbOf, PRESS, PRESSES, type Thumb } from './stopwatch';
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
export { runOfCopy, runOfProbe, runOfRandom, runOfWatch, runsOfReal } from './real';
export { ratesOf } from './rates';
export * from './trace';
export { protocolOf, syntheticSize, type Mind, type Protocol, type ProtocolTest } from './protocol';
export * from './probe';
