export {
  allowedPerDay,
  drivesPerDay,
  lifeFromNew,
  yearsLeft,
  rateBetween,
  ratedPerCapacity,
  WEAK_RATING,
  DATA_UNIT,
} from './endurance';
export { life, lifeByCells, workloadShare, EnduranceInput, enduranceJsonSchema, type Life } from './life';
export { growthOf, daysUntil, type Growth, type WrittenReading } from './rate';
