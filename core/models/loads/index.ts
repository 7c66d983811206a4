export {
  loadTime,
  forecastLoad,
  loadInputs,
  compareLoads,
  felt,
  noticeable,
  NOTICED,
  type IsFelt,
  type LoadWork,
  type LoadInputs,
  type Opened,
} from './load';
export { fitLoad, fitted, type CountedLoad, type LoadFit, type LoadTiming } from './fit';
