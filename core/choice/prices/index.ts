export {
  ageOf,
  costToday,
  historyOf,
  pricing,
  STALE,
  unitOf,
  usualCurrency,
  type PartKey,
  type UnitPrice,
} from './pricing';
