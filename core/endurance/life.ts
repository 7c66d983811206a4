import * as z from 'zod';
import { tPoint } from '../bench';
import { Fact, fromFact, given, worked, type Estimate } from '../evidence';
import { allowedPerDay, drivesPerDay, lifeFromNew, rateBetween, ratedPerCapacity, WEAK_RATING, yearsLeft } from './endurance';

const bytes = z.number().nonnegative({ error: 'must be zero or more' });

/** What endurance is worked out from. Sizes in B. Either the daily writes or readings of the drive's counter. */
export const EnduranceInput = z.object({
  tbw: Fact,
  capacity: Fact,
  warrantyYears: Fact,
  /** Writes a day as the brief says; null to take them from the readings. */
  writesPerDay: Fact.nullable(),
  /** The counter at an age in days, oldest first; two or more, or one counted from new. */
  readings: z.array(z.object({ day: z.number().nonnegative(), written: bytes })).max(1000),
});
export type EnduranceInput = z.infer<typeof EnduranceInput>;

export interface Life {
  allowed: Estimate;
  dwpd: Estimate;
  perCapacity: Estimate;
  rate: Estimate | null;
  fromNew: Estimate | null;
  left: Estimate | null;
  notes: string[];
}

/**
 * Both answers of the TBW school: life from new and years left, with the working.
 * @param workedOut writes a day worked out elsewhere (from a job's activities); goes before the input's own
 * @throws RangeError when rating, capacity or warranty is not known, or readings fall or share a day: nothing can be worked out then
 */
export function life(input: EnduranceInput, workedOut: Estimate | null = null): Life {
  const need = (name: string, fact: Fact, unit: 'B' | 'years'): Estimate => {
    const found = fromFact(name, fact, unit);
    if (!found || found.low <= 0) throw new RangeError(`The ${name} is not known: enter it as the maker's sheet states it.`);
    return found;
  };
  const tbw = need('TBW', input.tbw, 'B');
  const capacity = need('capacity', input.capacity, 'B');
  const years = need('warranty', input.warrantyYears, 'years');
  const rate = workedOut ?? rateOfWriting(input);
  const last = input.readings.at(-1);
  const written = given('written so far', last?.written ?? 0, 'B', last ? { kind: 'device', note: `reading at day ${last.day}` } : { kind: 'entered', note: 'new drive' });
  const perCapacity = ratedPerCapacity.explain({ tbw, capacity });
  const notes: string[] = ['Reads do not wear flash.'];
  if (perCapacity.expected <= WEAK_RATING) notes.push(`Rated for ${Math.round(perCapacity.expected)} times its capacity: usual is 600 over five years, ${WEAK_RATING} is a warning sign (common practice).`);
  const writing = rate && rate.high > 0 ? rate : null;
  if (rate && !writing) notes.push('Nothing is written: the rating does not run out.');
  if (writing && writing.low <= 0) throw new RangeError('The low point of the daily writes must be above zero.');
  return {
    allowed: allowedPerDay.explain({ tbw, years }),
    dwpd: drivesPerDay.explain({ tbw, capacity, years }),
    perCapacity,
    rate,
    fromNew: writing && lifeFromNew.explain({ tbw, rate: writing }),
    left: writing && yearsLeft.explain({ tbw, written, rate: writing }),
    notes,
  };
}

function rateOfWriting({ writesPerDay, readings }: EnduranceInput): Estimate | null {
  const stated = fromFact('writes a day', writesPerDay, 'B/day');
  if (stated) return stated;
  const last = readings.at(-1);
  if (!last) return null;
  const first = readings.length > 1 ? readings[0]! : { day: 0, written: 0 };
  readings.forEach((reading, i) => {
    const before = readings[i - 1];
    if (before && (reading.day <= before.day || reading.written < before.written)) throw new RangeError(`Reading ${i + 1} (day ${reading.day}) must be later than the one before and not lower.`);
  });
  if (last.day <= first.day) throw new RangeError('A reading counted from new needs an age of more than 0 days.');
  if (readings.length > 2) return rateOfMany(readings);
  const source = (day: number) => ({ kind: 'device', note: `reading at day ${day}` }) as const;
  const rate = rateBetween.explain({ written: given('written', last.written, 'B', source(last.day)), before: given('written before', first.written, 'B', source(first.day)), days: given('days between', last.day - first.day, 'count', source(last.day)) });
  return worked('writes a day', rate, 'B/day', rate.because);
}

/**
 * Writes a day from three or more readings: regression of what came between them on the days between them. A day's writes scatter by themselves, so
 * the scatter of an increment grows with its days: weighted so, the best rate is all that was written over all the days, and what the increments
 * scatter around it says how well it is known (Student's t).
 */
function rateOfMany(readings: EnduranceInput['readings']): Estimate {
  const steps = readings.slice(1).map((reading, i) => ({ days: reading.day - readings[i]!.day, written: reading.written - readings[i]!.written }));
  const days = steps.reduce((sum, s) => sum + s.days, 0);
  const rate = steps.reduce((sum, s) => sum + s.written, 0) / days;
  const variance = steps.reduce((sum, s) => sum + (s.written - rate * s.days) ** 2 / s.days, 0) / (steps.length - 1);
  const half = tPoint(steps.length - 1, 0.9) * Math.sqrt(variance / days);
  return worked('writes a day', { low: Math.max(rate - half, rate / 100), expected: rate, high: rate + half }, 'B/day', {
    how: 'exact',
    formula: 'all that was written ÷ all the days ± t × √(scatter of a day’s writes ÷ days)',
    note: `${readings.length} readings over ${days} days: regression of the increments, each weighted by its days; the range is the 90 % t-interval.`,
    inputs: readings.map((r) => given(`written at day ${r.day}`, r.written, 'B', { kind: 'device', note: `reading at day ${r.day}` })),
  });
}
