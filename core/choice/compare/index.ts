export { curveOf, secondsAt, leads, inWords, cacheFromTotals, type Curve, type Lead } from './curve';
export { compareBuilds, type Comparison, type Compared, type Pair } from './builds';
