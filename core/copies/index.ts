export { Copy, USUAL_RULE, lacking, fillsIn, usableOf, type CopiesRule } from './copies';
