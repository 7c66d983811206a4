export { DIRECTIONS, type Direction, type Link, type Family } from './link';
export { LINKS, linkById, isLinkId, modesOf, registerLink } from './registry';
export {
  ceilingOf,
  explainCeiling,
  lineRateOf,
  practicalOf,
  explainPractical,
  expectedRate,
  packetRate,
  PACKETS,
  practiceId,
  practiceOf,
} from './rate';
