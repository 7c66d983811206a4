export { verdict, type Verdict } from './verdict';
export { claims, heldAgainst, type Claim, type Right, type Wish } from './claim';
