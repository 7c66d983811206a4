export { Copy, USABLE, USUAL_RULE, lacking, fillsIn, usableOf, type CopiesRule } from './copies';
