export {
  yearlyFailure,
  unreadable,
  unreadableTwice,
  rebuildReads,
  rebuildFails,
  lossOver,
  rebuildTime,
  probability,
  efficiencyOf,
} from './risk';
