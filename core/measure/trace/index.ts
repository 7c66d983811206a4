export { type Trace } from './bins';
export {
  phasesOf,
  stallsOf,
  type Phase,
  type PhaseKind,
  type Phases,
  type Stall,
  type TraceHints,
} from './phases';
export { guessColumns, readCell, readClock, TraceReader, type LeftOut, type TraceColumns } from './columns';
