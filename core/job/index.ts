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
export { Needs, Schools, FileSystem, DEFAULT_SCHOOLS } from './needs';
export { FrozenForecast } from './frozen';
export { witness, doubtsOf, isUntouched, sha, type ChainEntry, type Doubt } from './chain';
export { mergeJobs, nameOfChange, jobPlaces } from './change';
export { writeJob, checkJob, problemsOf, type Read } from './file';
export { readJob } from './read';
export { repairJob } from './repair';
export { stages, nextStage, STAGES, type Stage, type StageState } from './stage';
export { rebuild, samePath } from './rebuild';
