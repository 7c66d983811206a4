export {
  loadTime,
  forecastLoad,
  compareLoads,
  felt,
  noticeable,
  NOTICED,
  type Felt,
  type Load,
  type Opened,
} from './load';
export { fitLoad, fitted, type Counted, type LoadFit, type LoadTiming } from './fit';
