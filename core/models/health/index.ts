export type { HealthCounters, ToldHealth } from './counters';
export { fromNvmeLog } from './nvme';
export { fromAtaStatistics } from './ata';
export { fromPasted } from './pasted';
export { readHealth } from './read';
export { linesOf } from './lines';
