export { RULES_OF_THUMB, type Rule } from './thumb';
export { ownRates, type OwnRate } from './own';
export { convert, type Converted, type Row } from './convert';
