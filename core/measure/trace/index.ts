export { type Trace } from './bins';
export {
  tracePhasesOf,
  stallsOf,
  type TracePhase,
  type PhaseKind,
  type Phases,
  type Stall,
  type TraceHints,
} from './phases';
export { guessColumns, readCell, readClock, TraceReader, type LeftOut, type TraceColumns } from './columns';
