export { decode, LONGEST } from './decode';
export type { Decoded, NameReading, Flag } from './reading';
