export {
  cannot,
  dataMembers,
  survives,
  streamMembers,
  smallWriteCost,
  operationsFor,
  randomMembers,
  sharedOf,
  STRIP,
  writeMultiple,
  throughArray,
  throughRedundancy,
  membersTogether,
  usable,
  type Layout,
} from './layout';
export { ARRAY_NAMES, layoutWords } from './words';
