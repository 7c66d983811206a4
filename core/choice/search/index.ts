export { neededBy, SURE, wantedOf, type Open, type Wanted } from './wanted';
export {
  buildKey,
  joinShares,
  MOST,
  search,
  searchAll,
  type Found,
  type Progress,
  type Share,
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
export { activitiesOf, answers, CLOSE, Finalists, type Answers, type Chosen, type Dear } from './answer';
export { familyOf, lifeCost, payBack, sizesOf, wasted, type LifeCost, type Size, type Wasted } from './money';
export { summaryOf, type Said, type Summary } from './summary';
export { countReasons, holdsWords, missWords, reasonWords, whyNot, type Counted, type WhyNot } from './why';
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
  whereWords,
} from './words';
export { against, baselines, type Against, type Baseline, type BaselineId } from './baseline';
export { laterOn } from './later';
export { placeTogether, together, type Device, type Option, type Together } from './together';
export { slowedBy, type Slowed } from './uplinks';
export { settles, settlesAll, type Settled, type Settling } from './settles';
