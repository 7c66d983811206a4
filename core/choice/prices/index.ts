export {
  ageOf,
  costToday,
  historyOf,
  pricing,
  STALE,
  unitOf,
  usualCurrency,
  type PartKey,
  type ExchangeRate,
  type UnitPrice,
} from './pricing';
