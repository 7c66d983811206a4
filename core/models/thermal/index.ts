export { settlesAt, warmAt, timeTo } from './warm';
export { usualDraw, drawOf, drawAt } from './power';
export { coolingOf, isExternal, isUsbLike, type Cooling } from './cooling';
export { THROTTLES_AT } from './throttle';
