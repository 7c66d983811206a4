export { curveOf, secondsAt, leads, inWords, cacheFromTotals, type Curve, type Lead } from './curve';
export { compareBuilds, type Comparison, type ComparedBuild, type Pair } from './builds';
