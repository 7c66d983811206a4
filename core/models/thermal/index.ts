export { settlesAt, warmAt, timeTo } from './warm';
export { usualDraw, drawOf, drawAt } from './power';
export {
  RESISTANCE,
  HEAT_CAPACITY,
  AMBIENT,
  coolingOf,
  isExternal,
  isUsbLike,
  type Cooling,
} from './cooling';
export { THROTTLES_AT, THROTTLE } from './throttle';
