export { DIRECTIONS, type Direction, type Link, type Family } from './link';
export { LINKS, linkById, isLinkId, modesOf } from './registry';
export {
  ceilingOf,
  explainCeiling,
  lineRateOf,
  practicalOf,
  explainPractical,
  packetRate,
  PACKETS,
} from './rate';
