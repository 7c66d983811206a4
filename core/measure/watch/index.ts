export { parsePending, parseStat, type DeviceCounters } from './counters';
export {
  WATCH,
  Watcher,
  type WatchedPiece,
  type CounterReading,
  type Watched,
  type WatchRules,
  type WatchState,
} from './watcher';
