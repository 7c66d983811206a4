export { curveOf, secondsAt, leads, inWords, cacheFromTotals, type Curve, type Lead } from './curve';
