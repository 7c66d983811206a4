export { isEnd } from './end';
export {
  KeptRun,
  Purpose,
  RunEvent,
  RunRequest,
  RunTarget,
  Watchable,
  sizesOfFiles,
  type CopyRequest,
  type EndEvent,
  type FilesRequest,
  type GoingEvent,
  type TargetLabel,
  type ProbeRequest,
  type RandomRequest,
  type ReadRequest,
  type RealResult,
  type SequentialRequest,
  type SteadyRequest,
  type Warmth,
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
export { probeRig, simulate, type RigRun } from './rig';
export { learnedFrom, withLearned, withPerFile, type Learned } from './learned';
export {
  runOfCopy,
  runOfProbe,
  runOfRandom,
  runOfSteady,
  runOfWatch,
  runsOfPasses,
  runsOfReal,
} from './real';
export { STEADY_RULE, steadyIn, type Steady, type SteadyRule } from './steady';
export { edited, isTyped, saidBy, type Edit } from './edit';
export { ratesOf } from './rates';
export * from './trace';
export { protocolOf, syntheticSize, type Mind, type Protocol, type ProtocolTest } from './protocol';
export * from './probe';
