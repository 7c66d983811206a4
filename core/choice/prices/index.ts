export {
  ageOf,
  costToday,
  historyOf,
  pricing,
  STALE,
  unitOf,
  usualCurrency,
  type PartKey,
  type Rate,
  type UnitPrice,
} from './pricing';
