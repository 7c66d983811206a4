export {
  loadTime,
  forecastLoad,
  loadInputs,
  compareLoads,
  felt,
  noticeable,
  NOTICED,
  type Felt,
  type Load,
  type LoadInputs,
  type Opened,
} from './load';
export { fitLoad, fitted, type Counted, type LoadFit, type LoadTiming } from './fit';
