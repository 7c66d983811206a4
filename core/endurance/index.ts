export { allowedPerDay, drivesPerDay, lifeFromNew, yearsLeft, rateBetween, ratedPerCapacity, WEAK_RATING, DATA_UNIT } from './endurance';
export { life, EnduranceInput, type Life } from './life';
