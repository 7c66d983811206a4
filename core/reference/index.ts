export { RULES_OF_THUMB, type RuleOfThumb } from './thumb';
export { ownRates, type OwnRate } from './own';
export { convert, type Converted, type ConvertedRow } from './convert';
