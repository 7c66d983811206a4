export { exactly, spread, isExact, quantile, below, least, mixture, type Spread } from './spread';
export { about, draws, noise, summary, SAMPLES, SEED } from './sampling';
export { eachDraw, expectedOf, middlesOf, oneOf, wayOf } from './draw';
export type { Choice, Chosen, Drawing, Drawn, Uncertain, Way } from './draw';
export { t95, tPoint } from './student';
export { mean, median, deviation, halfWidth, outliers, runsUntil } from './sample';
export { cumulative, gaussian, normalQuantile, Z90, Z95 } from './normal';
export { nonNegative, solve } from './squares';
export { withErrors, type Timing } from './tries';
