export { contentsOn } from './contents';
export { formatOn } from './format';
export { builtAs, caseOf, layoutOf, onMachine, overriding, pathOf, situationAt, situationOf } from './case';
export { screenPathOf, working } from './case';
export type { Case, Change, Overrides, Situation } from './case';
export {
  barePathFor,
  besidesOf,
  collect,
  explainProbability,
  forecast,
  isMoveCase,
  pathFor,
  withOverrides,
  screen,
} from './answer';
export {
  kindOf,
  openedOver,
  registerKind,
  heldAt,
  type Answer,
  type Answered,
  type KindModel,
} from './kinds';
export { forecastAll, type ActivityForecast, type JobForecast } from './job';
export { isLife, lifeOf, screenWrites, type LifeForecast } from './wear';
export { forecastDays, type DaysForecast, type Ends } from './days';
export { arrayOf, holdsOf, type ArrayForecast } from './array';
export { collectTransfer, namedByThing, type About } from './collect';
export { bareTransfer, forecastTransfer, timesOf } from './transfer';
export type { ProfilePoint, Sensitivity, TransferForecast } from './transfer';
export { eachTime, type DrawnTime } from './drawn';
export { cacheAt } from './plan';
export { CHOICES } from './inputs';
export type { InputId, Inputs, Numbers, OtherEnd, Transfer } from './inputs';
export { freeze, MODEL_VERSION } from './frozen';
export { blocksAt, firstOf, settingOf } from './setting';
export { sheetOf, type ActivitySheet, type CourseSheet, type JobSheet } from './sheet';
