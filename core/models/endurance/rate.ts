import { tPoint } from '../../stats';
import { fromFact, given, worked, type Estimate, type Fact } from '../../evidence';
import { rateBetween } from './endurance';

/** The drive's counter of written bytes at an age in days. */
export interface WrittenReading {
  day: number;
  written: number;
}

/** @throws RangeError where readings fall or share a day */
function check(readings: readonly WrittenReading[]): void {
  readings.forEach((reading, i) => {
    const before = readings[i - 1];
    if (before && (reading.day <= before.day || reading.written < before.written))
      throw new RangeError(
        `Reading ${i + 1} (day ${reading.day}) must be later than the one before and not lower.`,
      );
  });
}

/** Writes a day: as stated, else from the readings; null where neither says. */
export function rateOfWriting({
  writesPerDay,
  readings,
}: {
  writesPerDay: Fact | null;
  readings: readonly WrittenReading[];
}): Estimate | null {
  const stated = fromFact('writes a day', writesPerDay, 'B/day');
  if (stated) return stated;
  const last = readings.at(-1);
  if (!last) return null;
  const first = readings.length > 1 ? readings[0]! : { day: 0, written: 0 };
  check(readings);
  if (last.day <= first.day)
    throw new RangeError('A reading counted from new needs an age of more than 0 days.');
  return rateOfMany(readings.length > 1 ? readings : [first, last]);
}

const stepsOf = (readings: readonly WrittenReading[]) =>
  readings
    .slice(1)
    .map((reading, i) => ({
      days: reading.day - readings[i]!.day,
      written: reading.written - readings[i]!.written,
      middle: (reading.day + readings[i]!.day) / 2,
    }));
const sourceOf = ({ day }: WrittenReading) => ({ kind: 'device', note: `reading at day ${day}` }) as const;
const asRead = (readings: readonly WrittenReading[]): Estimate[] =>
  readings.map((r) =>
    given(`written at day ${r.day}`, r.written, 'B', { kind: 'device', note: `reading at day ${r.day}` }),
  );

/**
 * What a month's writes scatter by, one sigma as a share of it, before anything is known of this drive, and how many increments that counts for
 * [memory].
 */
const MONTHLY = 0.25;
const COUNTS_FOR = 2;

/**
 * Writes a day from readings: regression of what came between them on the days between them. A day's writes scatter by themselves, so
 * the scatter of an increment grows with its days: weighted so, the best rate is all that was written over all the days, and what the increments
 * scatter around it, together with what is usual, says how well it is known (Student's t). One increment alone says nothing of its own scatter.
 */
function rateOfMany(readings: readonly WrittenReading[]): Estimate {
  const steps = stepsOf(readings);
  const days = steps.reduce((sum, s) => sum + s.days, 0);
  const rate = steps.reduce((sum, s) => sum + s.written, 0) / days;
  const usual = (MONTHLY * rate) ** 2 * 30;
  const freedom = COUNTS_FOR + steps.length - 1;
  const scattered = steps.reduce((sum, s) => sum + (s.written - rate * s.days) ** 2 / s.days, 0);
  const variance = (COUNTS_FOR * usual + scattered) / freedom;
  const half = rate > 0 ? (tPoint(freedom, 0.9) * Math.sqrt(variance / days)) / rate : 0;
  const { because } = rateBetween.explain({
    written: given('written', readings.at(-1)!.written, 'B', sourceOf(readings.at(-1)!)),
    before: given('written before', readings[0]!.written, 'B', sourceOf(readings[0]!)),
    days: given('days between', days, 'count', sourceOf(readings.at(-1)!)),
  });
  return worked(
    'writes a day',
    { low: rate * Math.exp(-half), expected: rate, high: rate * Math.exp(half) },
    'B/day',
    {
      how: 'exact',
      formula: because.formula!,
      filled: because.filled!,
      note:
        `${readings.length} readings over ${days} days: regression of the increments, each weighted by its days; the range is the 90 % t-interval, ` +
        `a month’s writes taken to scatter by ${MONTHLY * 100} % (from memory) as long as few readings say otherwise.`,
      inputs: asRead(readings),
    },
  );
}

/** Writes a day that change: today's, and by how much they grow in a day, each with its 90 % t-interval. */
export interface Growth {
  now: Estimate;
  perDay: Estimate;
  /** The interval of the growth leaves out zero. */
  sure: boolean;
}

/** Growth of the daily writes from four or more readings: a straight line through the increments' rates, weighted by their days. Null for fewer. */
export function growthOf(readings: readonly WrittenReading[]): Growth | null {
  if (readings.length < 4) return null;
  check(readings);
  const steps = stepsOf(readings);
  const weight = steps.reduce((sum, s) => sum + s.days, 0);
  const mean = (of: (s: (typeof steps)[number]) => number) =>
    steps.reduce((sum, s) => sum + s.days * of(s), 0) / weight;
  const [middle, rate] = [mean((s) => s.middle), mean((s) => s.written / s.days)];
  const spread = steps.reduce((sum, s) => sum + s.days * (s.middle - middle) ** 2, 0);
  const slope =
    steps.reduce((sum, s) => sum + s.days * (s.middle - middle) * (s.written / s.days - rate), 0) / spread;
  const last = readings.at(-1)!.day;
  const scatter =
    steps.reduce(
      (sum, s) => sum + s.days * (s.written / s.days - rate - slope * (s.middle - middle)) ** 2,
      0,
    ) /
    (steps.length - 2);
  const t = tPoint(steps.length - 2, 0.9);
  const off = t * Math.sqrt(scatter / spread);
  const now = rate + slope * (last - middle);
  const offNow = t * Math.sqrt(scatter * (1 / weight + (last - middle) ** 2 / spread));
  const words = {
    how: 'exact' as const,
    note: `Straight line through the writes a day between ${readings.length} readings, each weighted by its days; the range is the 90 % t-interval.`,
    inputs: asRead(readings),
  };
  return {
    now: worked(
      'writes a day today',
      {
        low: Math.max(now - offNow, Math.abs(now) / 100),
        expected: Math.max(now, Math.abs(now) / 100),
        high: Math.max(now + offNow, Math.abs(now) / 100),
      },
      'B/day',
      words,
    ),
    perDay: worked(
      'growth of the daily writes in a day',
      { low: slope - off, expected: slope, high: slope + off },
      'B/day',
      words,
    ),
    sure: slope - off > 0 || slope + off < 0,
  };
}

/**
 * Days until so many bytes are written at a rate that grows: the positive root of rate · t + growth · t² ÷ 2 = bytes. Infinity where it dries up
 * before.
 */
export function daysUntil(bytes: number, rate: number, growth: number): number {
  if (bytes <= 0) return 0;
  if (Math.abs(growth) < 1e-12 * Math.abs(rate)) return rate > 0 ? bytes / rate : Infinity;
  const root = rate * rate + 2 * growth * bytes;
  // The other way round of writing the root keeps its digits when growth is small.
  return root < 0
    ? Infinity
    : (2 * bytes) / (rate + Math.sqrt(root)) > 0
      ? (2 * bytes) / (rate + Math.sqrt(root))
      : Infinity;
}
