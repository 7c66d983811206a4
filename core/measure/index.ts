export { isEnd } from './end';
export { KeptRun, RunEvent, RunRequest, type EndEvent, type GoingEvent } from './ways/requests';
export { Purpose, RunTarget, Watchable, type TargetLabel, type Warmth } from './ways/common';
export { CopyRequest } from './ways/copy/request';
export { FilesRequest, sizesOfFiles } from './ways/files/request';
export { ProbeRequest } from './ways/probe/request';
export { RandomRequest } from './ways/random/request';
export { ReadRequest } from './ways/read/request';
export { SequentialRequest, type RealResult } from './ways/sequential/request';
export { SteadyRequest } from './ways/steady/request';
export { type WatchEnd, type WatchRequest } from './ways/watch/request';
export { registerWay, runsOfReal } from './ways/runs';
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
export { STEADY_RULE, steadyIn, type Steady, type SteadyRule } from './steady';
export { edited, isTyped, saidBy, type Edit } from './edit';
export { ratesOf } from './rates';
export * from './trace';
export { protocolOf, syntheticSize, type Mind, type Protocol, type ProtocolTest } from './protocol';
export * from './probe';
