export { exactly, spread, isExact, quantile, below, least, type Spread } from './spread';
export { draws, noise, summary, SAMPLES, SEED } from './sampling';
export { eachDraw, expectedOf, middlesOf, oneOf, type Choice, type Drawing, type Uncertain } from './draw';
export { t95, tPoint } from './student';
export { mean, median, deviation, halfWidth, outliers, runsUntil } from './sample';
