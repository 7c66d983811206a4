export { briefSaid } from './activity';
export { statementsOf } from './all';
export { heldSaid, judgedSaid, measuredSaid, standingSaid, verdictSaid } from './claim';
export { compareLoadTimes, feltSaid } from './felt';
export { forecastSaid } from './forecast';
export { frozenFigure, frozenSaid } from './frozen';
export {
  OBSERVED,
  observationsOf,
  observedAt,
  CONCERNS,
  seenWords,
  type Observation,
  type Concern,
} from './known';
/* Words that the floors below make. */
export { nothingWorth, worthWords } from '../forecast';
export { healthAdvice, healthLines } from '../models';
export { flowSaid, partSaid, passSaid } from './flow';
export { formatSaid, lifeSaid } from './life';
export { protocolSaid, testSaid } from './planned';
export { type Said, type Statement } from './statement';
export { processingWords, targetSaid } from './target';
