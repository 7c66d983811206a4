export { loadTime, forecastLoad, noticeable, fitLoad, fitted, nonNegative, NOTICED, LOAD_UNKNOWN, type Load, type LoadTiming, type LoadFit } from './load';
