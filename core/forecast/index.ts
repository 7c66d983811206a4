export {
  barePathFor,
  besidesOf,
  collect,
  explainProbability,
  figuresOf,
  forecast,
  isMoveCase,
  pathFor,
  screen,
  withOverrides,
} from './answer';
export { type ArrayForecast, arrayOf, holdsOf, rebuildWords, survivalWords } from './array';
export {
  type Case,
  type Change,
  type Overrides,
  type Situation,
  builtAs,
  caseOf,
  layoutOf,
  onMachine,
  overriding,
  pathOf,
  screenPathOf,
  situationAt,
  situationOf,
  working,
} from './case';
export { type About, collectTransfer, namedByThing } from './collect';
export { contentsOn } from './contents';
export { type DaysForecast, type Ends, forecastDays } from './days';
export { beyondModels } from './beyond';
export { drawNames, type DrawnTime, eachTime } from './drawn';
export { formatOn } from './format';
export { besideToday } from './today';
export { endOfPass, readCheckpoint } from './pass';
export { MODEL_VERSION, freeze } from './frozen';
export { CHOICES, type InputId, type Inputs, type Numbers, type OtherEnd, type Transfer } from './inputs';
export { CHOICE_WORDS, wayWords } from './words';
export { type ActivityForecast, type JobForecast, forecastAll } from './job';
export { type Answer, type Answered, type KindModel } from './kinds/kind';
export { openedOver } from './kinds/open';
export { kindOf, registerKind } from './kinds/registry';
export { heldAt } from './kinds/shared';
export { cacheAt } from './plan';
export { blocksAt, firstOf, settingOf } from './setting';
export type { FirstTask } from './tasks';
export { type ActivitySheet, type CourseSheet, type JobSheet, sheetOf } from './sheet';
export {
  type ProfilePoint,
  type Sensitivity,
  type TransferForecast,
  bareTransfer,
  forecastTransfer,
  timesOf,
} from './transfer';
export { lasting, lastingWords, type Lasting } from './lasting';
export { type LifeForecast, isLife, lifeOf, screenWorkload, screenWrites } from './wear';
export { type OpenQuestions, type Test } from './worth/kinds/kind';
export { openIn, registerOpening } from './worth/kinds/known';
export { nothingWorth, toDo, worthWords } from './worth/words';
export {
  type Draws,
  LEAST,
  type Worth,
  type WorthFinding,
  byMinute,
  drawn,
  toldOf,
  worthFinding,
} from './worth/worth';
