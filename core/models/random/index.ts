export {
  operationsPerSecond,
  behindCache,
  scratchDay,
  waitFor,
  waitInputs,
  halfTurn,
  type Operations,
} from './iops';
