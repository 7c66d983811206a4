export { decode, LONGEST } from './decode';
export type { Decoded, Reading, Flag } from './reading';
