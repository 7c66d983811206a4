export { operationsPerSecond, behindCache, scratchDay, halfTurn, COLLAPSED, type Operations } from './iops';
