export { loadTime, forecastLoad, compareLoads, felt, noticeable, fitLoad, fitted, nonNegative, NOTICED, LOAD_UNKNOWN, type Felt, type Load, type LoadTiming, type LoadFit } from './load';
