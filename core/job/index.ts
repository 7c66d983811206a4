export { Job, Decision, jobJsonSchema } from './job';
export { Budget, Money } from './money';
export { readBudget, readMoney } from './budget';
export { writeJob } from './write';
export { customersOf, sameCustomer, type Customer } from './customer';
export {
  answerOf,
  directionOf,
  flowsOneWay,
  isAsked,
  isKept,
  isLoad,
  isMove,
  mustNotStall,
  registerTraits,
  traitsOf,
} from './kinds/known';
export type { Traits } from './kinds/traits';
export { heldBeside, heldBy, heldIfAdding, isOnce, roomFor, saysKept, stands } from './held';
export { filesOf, logNormalSizes, totalOf } from './sizes';
export { Activity, Keep, Load, Move, Scratch, Stream } from './kinds/activity';
export { Latency, Probed, Run, RunConditions, Stated, Timed, RateOnly, Bound, Sample } from './run';
export { OLD_FATES, OLD_STATES, OldDrive } from './olddrive';
export { DeviceNeeds, Needs, Role, type FileSystem } from './needs';
export { ROLE_NAMES } from './roles';
export type { JobConnection, JobDevice, JobMachine, Setup } from './setup';
export {
  briefAt,
  buildAt,
  heldByOne,
  fittingOf,
  FIRST_PLACE,
  needsAt,
  isAt,
  madeAt,
  placeOf,
  placesOf,
  portsTaken,
  samePlace,
  type Brief,
  type Place,
} from './place';
export {
  addDevice,
  addMachine,
  deviceName,
  machineNames,
  removeDevice,
  removeMachine,
  withActivity,
} from './arrange';
export {
  DEFAULT_POLICIES,
  otherAnswer,
  POLICIES,
  policyWords,
  type Policies,
  type PolicyId,
} from './policies';
export { keepsNeeds, setupOf } from './basis';
export { putRight, runsBefore, takeBack, type PutRight } from './putright';
export { BEFALLEN, befallenIn, befallenWords, type Befallen, type BefallenId } from './befallen';
export { FrozenForecast } from './frozen';
export { witness, doubtsOf, isUntouched, lateFor, wasFrozenBefore, type Doubt } from './chain';
export type { ChainEntry } from './entry';
export { sha } from './hash';
export { mergeJobs, nameOfChange, jobPlaces } from './change';
export { checkJob, readJob } from './read';
export { repairJob } from './repair';
export { ChoiceRecord } from './choice';
export { Fitting, type FormatPass } from './fitting';
export { stages, stagesOf, nextStage, STAGES, type Stage, type StageState } from './stage';
export { samePath, withBuild, withHost } from './rebuild';
export { MOST_OF, overfull, RETURN_DAYS, VERSION } from './limits';
