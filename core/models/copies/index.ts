export {
  USUAL_RULE,
  lacking,
  fillBy,
  fillsIn,
  keeping,
  usableOf,
  type CopiesRule,
  type Keeping,
} from './copies';
export { Copy } from './copy';
