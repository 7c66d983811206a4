export { neededBy, SURE, wantedOf, type OpenPlace, type Wanted } from './wanted';
export {
  buildKey,
  joinShares,
  MOST_BUILDS,
  search,
  searchAll,
  type Found,
  type Progress,
  type SearchShare,
} from './search';
export { partsOf, type Candidate, type Fallen, type Miss, type ReasonId } from './candidate';
export {
  bestOf,
  cheapestFirst,
  CRITERIA,
  nonDominated,
  partsOfScore,
  presetFor,
  PRESETS,
  scoreOf,
  type Best,
  type Criterion,
  type Weights,
} from './order';
export {
  activitiesOf,
  answers,
  CLOSE,
  Finalists,
  type ChoiceAnswers,
  type ChosenBuild,
  type Dear,
} from './answer';
export { familyOf, lifeCost, payBack, sizesOf, wasted, type LifeCost, type Size, type Wasted } from './money';
export { summaryOf, type SaidAnswer, type Summary } from './summary';
export {
  countReasons,
  holdsWords,
  missWords,
  reasonWords,
  whyNot,
  type CountedReason,
  type WhyNot,
} from './why';
export {
  againstWords,
  buildWords,
  dearWords,
  lifeCostWords,
  moneyWords,
  payBackWords,
  portWords,
  priceWords,
  reasonFor,
  settlesWords,
  slowedWords,
  togetherProblem,
  wastedWords,
  plugWords,
} from './words';
export { against, baselines, type BaselineDifference, type Baseline, type BaselineId } from './baseline';
export { laterOn } from './later';
export {
  chooseTogether,
  placeTogether,
  type ChosenDevice,
  type DeviceOption,
  type Together,
} from './together';
export { slowedBy, type Slowed } from './uplinks';
export { settles, settlesAll, type Settled, type Settling } from './settles';
