export { transferTime, steadyTime, phases, rateAt, type TransferNumbers, type Phase, type Limit } from './transfer';
export { CACHE_SHARE, REST, PER_FILE } from './market';
