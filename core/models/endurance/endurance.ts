import { YEAR_DAYS } from '../../units';
import { formula } from '../../evidence';

/** Writes a day that a rating allows over its warranty: TBW ÷ (365 × years). */
export const allowedPerDay = formula({
  name: 'allowed writes',
  unit: 'B/day',
  inputs: { tbw: 'TBW', years: 'warranty in years' },
  of: (m, x) => m.div(x.tbw, m.mul(m.num(YEAR_DAYS), x.years)),
});

/** Drive writes per day: TBW ÷ (capacity × 365 × years). */
export const drivesPerDay = formula({
  name: 'DWPD',
  unit: 'ratio',
  inputs: { tbw: 'TBW', capacity: 'capacity', years: 'warranty in years' },
  of: (m, x) => m.div(x.tbw, m.mul(m.mul(x.capacity, m.num(YEAR_DAYS)), x.years)),
});

/** Years a new drive lasts at a rate of writing: TBW ÷ rate. */
export const lifeFromNew = formula({
  name: 'life from new',
  unit: 'years',
  inputs: { tbw: 'TBW', rate: 'writes a day' },
  of: (m, x) => m.div(x.tbw, m.mul(x.rate, m.num(YEAR_DAYS))),
});

/** Years left: (TBW − written) ÷ rate. */
export const yearsLeft = formula({
  name: 'years left',
  unit: 'years',
  inputs: { tbw: 'TBW', written: 'written so far', rate: 'writes a day' },
  of: (m, x) => m.div(m.max(m.sub(x.tbw, x.written), m.num(0)), m.mul(x.rate, m.num(YEAR_DAYS))),
});

/** Writes a day between two readings of the drive's own counter. */
export const rateBetween = formula({
  name: 'writes a day',
  unit: 'B/day',
  inputs: { written: 'written', before: 'written before', days: 'days between' },
  of: (m, x) => m.div(m.sub(x.written, x.before), x.days),
});

/** Rated bytes for each byte of capacity: 600 is usual for five years, 350 a warning sign [practice]. */
export const ratedPerCapacity = formula({
  name: 'rated writes for each byte of capacity',
  unit: 'ratio',
  inputs: { tbw: 'TBW', capacity: 'capacity' },
  of: (m, x) => m.div(x.tbw, x.capacity),
});
export const WEAK_RATING = 350;

/** Bytes in one NVMe data unit [standard NVM Express, SMART / health log page 02h]: 1,000 blocks of 512 B. */
export const DATA_UNIT = 512_000;
