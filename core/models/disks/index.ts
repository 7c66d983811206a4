export { rateShare, timeShare, passed, wholeDisk, LAWS, type Law } from './zone';
export { formatEnd, formatFromSheet, type Checkpoint, type FormatEnd } from './format';
