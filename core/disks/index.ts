export { rateShare, timeShare, passed, LAWS, type Law } from './zone';
export { formatEnd, formatFromSheet, type Checkpoint, type FormatEnd } from './format';
