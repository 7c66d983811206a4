export { Job, Decision, Money, VERSION, jobJsonSchema } from './job';
export {
  Activity,
  isMove,
  directionOf,
  filesOf,
  logNormalSizes,
  totalOf,
  type Move,
  type Stream,
  type Open,
  type Scratch,
  type Keep,
} from './activity';
export { Run, Timed, RateOnly, Bound, Sample } from './run';
export { Needs, FileSystem, Role, type DeviceNeeds } from './needs';
export type { JobConnection, JobDevice, JobMachine, Setup } from './setup';
export {
  briefAt,
  buildAt,
  FIRST,
  needsAt,
  isAt,
  madeAt,
  placeOf,
  placesOf,
  samePlace,
  type Brief,
  type Place,
} from './place';
export { addDevice, addMachine, deviceName, removeDevice, removeMachine, withActivity } from './arrange';
export { DEFAULT_POLICIES, otherAnswer, POLICIES, Policies, policyWords, type PolicyId } from './policies';
export { FrozenForecast, keepsNeeds, setupOf } from './frozen';
export { witness, doubtsOf, isUntouched, type Doubt } from './chain';
export { sha, type ChainEntry } from './entry';
export { mergeJobs, nameOfChange, jobPlaces } from './change';
export { writeJob, checkJob } from './file';
export { readJob } from './read';
export { repairJob } from './repair';
export { stages, nextStage, STAGES, type Stage, type StageState } from './stage';
export { samePath, withBuild, withHost } from './rebuild';
