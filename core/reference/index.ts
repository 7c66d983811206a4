export { RULES_OF_THUMB, type Rule } from './thumb';
export { convert, type Converted, type Row } from './convert';
