export { transferTime, steadyTime, phases, rateAt, type TransferNumbers, type Phase, type Limit } from './transfer';
export { CACHE_SHARE, DISK, DISK_CACHE, DISK_SHARE, REST, PER_FILE } from './market';
