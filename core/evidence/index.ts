export { Source, sourceWords } from './source';
export { exactly, spread, isExact, quantile, below, least, type Spread } from './spread';
export { draws, noise, summary, SAMPLES, SEED } from './sampling';
export { given, worked, renamed, type Estimate, type Because, type How } from './estimate';
export { formula, type Formula } from './formula';
export type { Algebra } from './algebra';
export { Fact, factSpread, fromFact, choose, typedOver, middle } from './fact';
export { EstimateSchema } from './schema';
export { parseFact, writeFact, type TypedFact } from './typed';
