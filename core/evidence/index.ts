export { Source, sourceWords } from './source';
export { given, worked, renamed, type Estimate, type Because, type How } from './estimate';
export { formula, type Explained, type Formula } from './formula';
export { bare, explaining, recordersFor, type Market, type Recorder, type Recorders } from './recorder';
export type { Algebra } from './algebra';
export { Fact, Rate, exactFact, factSpread, fromFact, choose, typedOver, middle } from './fact';
export { EstimateSchema } from './schema';
export { parseFact, writeFact, type TypedFact } from './typed';
