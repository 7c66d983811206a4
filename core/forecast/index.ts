export { forecastTransfer, timesOf, type ProfilePoint, type Sway, type TransferForecast } from './transfer';
export {
  inputsOf,
  cacheAt,
  namedByThing,
  type InputName,
  type Inputs,
  type Numbers,
  type Surroundings,
  type TransferTask,
} from './inputs';
export {
  inputsOfMove,
  layoutOf,
  pathOf,
  surroundingsOf,
  taskOf,
  transferPath,
  wholeTask,
  type Plan,
} from './task';
export {
  explainChance,
  forecastJob,
  forecastOne,
  isLife,
  lifeOfJob,
  openedOver,
  type ActivityForecast,
  type JobForecast,
} from './job';
export { freeze, MODEL } from './frozen';
export type { StreamForecast } from './stream';
export { repeatJob, type DaysForecast, type Ends } from './days';
export type { ArrayForecast } from './array';
export { sheetOf, type ActivitySheet, type CourseSheet, type JobSheet } from './sheet';
