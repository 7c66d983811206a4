export { type Edit, edited, hasFilesTyped, isTyped, saidBy, conditionWords } from './edit';
export { isEnd } from './end';
export { type Learned, learnedFrom, takenOver, withLearned } from './learned';
export { saidCourse, type SaidCourse } from './saidcourse';
export { intoDrive, intoMachine, type TakenOver } from './takenover';
export {
  ASSUMED_SCATTER,
  type Measured,
  SOURCE_WORDS,
  explainMeasured,
  inLogs,
  logSecondsOf,
  measuredInterval,
  measuredOf,
  measuredRange,
  measuredWords,
  rateOfRun,
  readingBounds,
  secondsOf,
  timeOf,
  warmthWords,
} from './measured';
export { Probe, type ProbeBudget, type ProbeEnd, type ProbeResult, type ProbeStep } from './probe/probe';
export { RigDrive, type RigNoise, type RigTruth, type Written, truthOf } from './probe/rigdrive';
export { type Mind, type Protocol, type ProtocolTest, protocolOf, syntheticSize } from './protocol';
export { ratesOf } from './rates';
export { type RigRun, probeRig, simulate } from './rig';
export { STEADY_RULE, type Steady, type SteadyRule, steadyIn } from './steady';
export { PRESS, PRESSES, type Thumb, stopwatchError, thumbOf } from './stopwatch';
export { type Trace } from './trace/bins';
export {
  type LeftOut,
  type TraceColumns,
  TraceReader,
  guessColumns,
  readCell,
  readClock,
} from './trace/columns';
export {
  type PhaseKind,
  type Phases,
  type Stall,
  type TraceHints,
  type TracePhase,
  stallsOf,
  tracePhasesOf,
} from './trace/phases';
export { type DeviceCounters, parsePending, parseStat } from './watch/counters';
export {
  type CounterReading,
  WATCH,
  type WatchRules,
  type WatchState,
  type Watched,
  type WatchedPiece,
  Watcher,
} from './watch/watcher';
export { Purpose, RunTarget, type TargetLabel, type Warmth, Watchable } from './ways/common';
export { CopyRequest } from './ways/copy/request';
export { FilesRequest, sizesOfFiles } from './ways/files/request';
export { ProbeRequest } from './ways/probe/request';
export { RandomRequest } from './ways/random/request';
export { ReadRequest } from './ways/read/request';
export { type EndEvent, type GoingEvent, KeptRun, RunEvent, RunRequest } from './ways/requests';
export { registerWay, runsOfReal } from './ways/runs';
export { type RealResult, SequentialRequest } from './ways/sequential/request';
export { SteadyRequest } from './ways/steady/request';
export { WatchEnd, WatchRequest } from './ways/watch/request';
