export { briefSaid } from './activity';
export {
  againstSaid,
  causesSaid,
  causeTitle,
  fixedSaid,
  gainSaid,
  groupsSaid,
  settledSaid,
  isCalm,
  lookSaid,
  lookTitle,
  toldSaid,
  type SaidGroup,
} from './cause';
export { statementsOf } from './all';
export { heldSaid, judgedSaid, measuredSaid, standingSaid, verdictSaid } from './claim';
export { compareLoadTimes, feltSaid } from './felt';
export { forecastSaid, moreSaid } from './forecast';
export { frozenFigure, frozenSaid } from './frozen';
export {
  OBSERVED,
  observationsOf,
  knownSaid,
  observedAt,
  CONCERNS,
  seenWords,
  type Observation,
  type Concern,
} from './known';
/* Words that the floors below make. */
export { nothingWorth, worthWords } from '../forecast';
export { healthAdvice, healthLines } from '../models';
export { arraySaid, courseSaid, driverSaid, shareSaid, taskSaid } from './course';
export { daysSaid, yearsAhead } from './days';
export { findingSaid, stepSaid, stepsSaid, workOn, workSaid } from './finding';
export { healthSaid, learnedSaid, befallenSaid, counterSaid, rightSaid, unitSaid } from './unit';
export { flowSaid, nextSaid, partSaid, passSaid, placeId } from './flow';
export { costSaid, formatSaid, lifeSaid } from './life';
export { mindSaid, protocolSaid, testSaid } from './planned';
export {
  answerSaid,
  builtSaid,
  buysSaid,
  usedSaid,
  closeFigureSaid,
  lineSaid,
  closelySaid,
  figureSaid,
  fixSaid,
  offeredSaid,
  reasonSaid,
  rowSaid,
  searchSaid,
  settlesSaid,
  worthSaid,
} from './offer';
export { refusedSaid, runSaid } from './run';
export { type Said, type Statement } from './statement';
export { processingWords, targetSaid } from './target';
export { payingFor, payingSaid, type Paying } from './payer';
