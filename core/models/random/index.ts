export { operationsPerSecond, behindCache, scratchDay, halfTurn, type Operations } from './iops';
