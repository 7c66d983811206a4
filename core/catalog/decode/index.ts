export { decode, LONGEST } from './decode';
export { saleIn } from './sale';
export type { Decoded, NameReading, Flag } from './reading';
