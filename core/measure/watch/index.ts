export { parsePending, parseStat, type Counters } from './counters';
export {
  WATCH,
  Watcher,
  type Piece,
  type Reading,
  type Watched,
  type WatchRules,
  type WatchState,
} from './watcher';
