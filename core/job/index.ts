export { Job, Decision, VERSION, jobJsonSchema } from './job';
export {
  Activity,
  isMove,
  directionOf,
  filesOf,
  logNormalSizes,
  type Move,
  type Stream,
  type Open,
  type Scratch,
  type Keep,
} from './activity';
export { Run, Timed, RateOnly, Bound, Sample } from './run';
export { Needs, FileSystem } from './needs';
export { DEFAULT_POLICIES, otherAnswer, POLICIES, Policies, policyWords, type PolicyId } from './policies';
export { FrozenForecast } from './frozen';
export { witness, doubtsOf, isUntouched, sha, type Doubt } from './chain';
export type { ChainEntry } from './entry';
export { mergeJobs, nameOfChange, jobPlaces } from './change';
export { writeJob, checkJob } from './file';
export { readJob } from './read';
export { repairJob } from './repair';
export { stages, nextStage, STAGES, type Stage, type StageState } from './stage';
export { rebuild, samePath } from './rebuild';
