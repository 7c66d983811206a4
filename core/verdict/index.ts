export { verdict } from './verdict';
export { quickVerdict } from './quick';
export { verdictFrom, type Verdict } from './sum';
export { heldAgainst, type Claim, type Right, type Target } from './claim';
