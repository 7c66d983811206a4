export { type Comparison, compareBuilds } from './compare/builds';
export { cacheFromTotals, secondsAt } from './compare/curve';
export {
  type ExchangeRate,
  type PartKey,
  STALE,
  type UnitPrice,
  ageOf,
  costToday,
  historyOf,
  pricing,
  unitOf,
  usualCurrency,
} from './prices/pricing';
export { Finalists } from './search/answer';
export { against, baselines } from './search/baseline';
export { type Candidate, partsOf } from './search/candidate';
export { laterOn } from './search/later';
export { lifeCost, payBack, sizesOf, wasted } from './search/money';
export {
  CRITERIA,
  type Criterion,
  PRESETS,
  type Weights,
  bestOf,
  cheapestFirst,
  nonDominated,
  presetFor,
  scoreOf,
} from './search/order';
export {
  type Found,
  type Progress,
  type SearchShare,
  buildKey,
  joinShares,
  search,
  searchAll,
} from './search/search';
export { buysWords } from './search/gain';
export { settles, settlesAll } from './search/settles';
export { type SaidAnswer, type Summary, summaryOf } from './search/summary';
export { type ChosenDevice, chooseTogether } from './search/together';
export { cautionsOf, closelyOf, unitPrices, type Closely, type OrderLine } from './search/closely';
export { fellWords } from './search/fell';
export { rowsOf, type BuildRow } from './search/rows';
export { searched, type FinishedSearch } from './search/searched';
export { slowedBy } from './search/uplinks';
export { placed, situationsOf } from './search/placed';
export { levelWords } from './search/levels';
export { usedAdvice, usedAdviceWords, usedUnitOf, type UsedUnit } from './search/usedunit';
export {
  SURE,
  type SearchTerms,
  type Wanted,
  pricesFor,
  activitiesOf,
  searchedPlaces,
  wantedFrom,
  wantedOf,
} from './search/wanted';
export { type CountedReason, type WhyNot, holdsWords, reasonWords, whyNot } from './search/why';
export {
  againstWords,
  buildWords,
  lifeCostWords,
  missedNames,
  payBackWords,
  plugWords,
  portWords,
  priceWords,
  settlesWords,
  slowedWords,
  togetherProblem,
  wastedWords,
} from './search/words';
export { type Cost, type Fix, fixes, tried } from './whatif/fix';
export { type PartOption, connected, firstBuild, optionsAt, withDrives } from './whatif/options';
