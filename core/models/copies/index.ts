export { USUAL_RULE, lacking, fillsIn, keeping, usableOf, type CopiesRule, type Keeping } from './copies';
export { Copy } from './copy';
