export { verdict, type Verdict } from './verdict';
export { claims, judge, type Claim, type Right, type Wish } from './claim';
