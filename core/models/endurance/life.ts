import { YEAR_DAYS } from '../../units';
import { draws, quantile, SAMPLES, SEED, about, type Spread } from '../../stats';
import * as z from 'zod';
import { assumed } from '../../catalog/assumptions';
import {
  explaining,
  Fact,
  formula,
  fromFact,
  given,
  worked,
  type Estimate,
  type Recorder,
} from '../../evidence';
import { Cell } from '../../catalog/parts';
import {
  allowedPerDay,
  drivesPerDay,
  lifeFromNew,
  ratedPerCapacity,
  WEAK_RATING,
  yearsLeft,
} from './endurance';
import { daysUntil, growthOf, rateOfWriting, type Growth } from './rate';

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
  /** Cells of the drive, for the school that counts their cycles. */
  cell: Cell.nullable().optional(),
  /** The date of day 0, to tell dates. */
  since: z.iso.date().optional(),
});
export type EnduranceInput = z.infer<typeof EnduranceInput>;

/** JSON Schema of what endurance is worked out from, published under docs/. */
export function enduranceJsonSchema(): object {
  return {
    $id: 'kymar-endurance-v1',
    title: 'What Kymar works endurance out from',
    ...z.toJSONSchema(EnduranceInput, { io: 'input', target: 'draft-2020-12', reused: 'ref' }),
  };
}

export interface Life {
  /** What the warranty's years allow a day; null where nobody knows them. */
  allowed: Estimate | null;
  dwpd: Estimate | null;
  perCapacity: Estimate;
  rate: Estimate | null;
  fromNew: Estimate | null;
  left: Estimate | null;
  /** By the school that counts the cells' cycles: years from new at the same daily writes. */
  byCells: Estimate | null;
  /** How the daily writes change, and the years left if they go on so; null for fewer than four readings. */
  growth: Growth | null;
  leftGrowing: Estimate | null;
  /** When the rating runs out, earliest, expected and latest; null without a date to count from. */
  runsOut: { earliest: string; expected: string; latest: string } | null;
  notes: string[];
}

/** Years by the cells: capacity × cycles ÷ write amplification ÷ daily writes [idea of JESD218]. */
export const lifeByCells = formula({
  name: 'life from new by the cells’ cycles',
  unit: 'years',
  inputs: {
    capacity: 'capacity',
    cycles: 'cycles',
    amplification: 'write amplification',
    rate: 'writes a day',
  },
  of: (m, x) => m.div(m.div(m.mul(x.capacity, x.cycles), x.amplification), m.mul(x.rate, m.num(YEAR_DAYS))),
});

/**
 * Both answers of the TBW school, life from new and years left, and that of the cells' cycles, with the working.
 * @param workedOut writes a day worked out elsewhere (from a job's activities); goes before the input's own
 * @param record with the shop's own ranges, where it has any
 * @throws RangeError when rating or capacity is not known, or readings fall or share a day: nothing can be worked out then
 */
export function life(
  input: EnduranceInput,
  workedOut: Estimate | null = null,
  record: Recorder<Estimate> = explaining,
): Life {
  const need = (name: string, fact: Fact, unit: 'B' | 'years'): Estimate => {
    const found = fromFact(name, fact, unit);
    if (!found || found.low <= 0)
      throw new RangeError(`The ${name} is not known: enter it as the maker's sheet states it.`);
    return found;
  };
  const tbw = need('TBW', input.tbw, 'B');
  const capacity = need('capacity', input.capacity, 'B');
  const years = fromFact('warranty', input.warrantyYears, 'years');
  const rate = workedOut ?? rateOfWriting(input);
  const last = input.readings.at(-1);
  const written = given(
    'written so far',
    last?.written ?? 0,
    'B',
    last ? { kind: 'device', note: `reading at day ${last.day}` } : { kind: 'entered', note: 'new drive' },
  );
  const perCapacity = ratedPerCapacity.explain({ tbw, capacity });
  const notes: string[] = ['Reads do not wear flash.'];
  if (perCapacity.expected <= WEAK_RATING)
    notes.push(
      `Rated for ${Math.round(perCapacity.expected)} times its capacity: usual is 600 over five years, ${WEAK_RATING} is a warning sign (common practice).`,
    );
  const writing = rate && rate.high > 0 ? rate : null;
  if (rate && !writing) notes.push('Nothing is written: the rating does not run out.');
  if (writing && writing.low <= 0)
    throw new RangeError('The low point of the daily writes must be above zero.');
  const growth = workedOut || input.writesPerDay?.value != null ? null : growthOf(input.readings);
  const left = writing && yearsLeft.explain({ tbw, written, rate: writing });
  const leftGrowing = growth && growing(tbw, written, growth);
  if (growth?.sure)
    notes.push(
      `The daily writes ${growth.perDay.expected > 0 ? 'grow' : 'shrink'}: what is left counts with that.`,
    );
  const deciding = growth?.sure ? leftGrowing : left;
  return {
    allowed: years && years.low > 0 ? allowedPerDay.explain({ tbw, years }) : null,
    dwpd: years && years.low > 0 ? drivesPerDay.explain({ tbw, capacity, years }) : null,
    perCapacity,
    rate,
    fromNew: writing && lifeFromNew.explain({ tbw, rate: writing }),
    left,
    byCells:
      writing &&
      lifeByCells.explain({
        capacity,
        cycles: assumed(record, `cycles.${input.cell ?? 'unknown'}`),
        amplification: assumed(record, 'amplification'),
        rate: writing,
      }),
    growth,
    leftGrowing,
    runsOut: input.since && deciding ? dates(input.since, last?.day ?? 0, deciding) : null,
    notes,
  };
}

/** Years left if the daily writes go on changing as they did. */
function growing(tbw: Estimate, written: Estimate, { now, perDay }: Growth): Estimate {
  const [a, b, c] = ['TBW', 'writes a day today', 'growth'].map((name) => draws(name, SAMPLES, SEED)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const straight = (s: Spread, p: number) =>
    p <= 0.5
      ? s.low + ((s.expected - s.low) * (p - 0.05)) / 0.45
      : s.expected + ((s.high - s.expected) * (p - 0.5)) / 0.45;
  const yearsAt = (rating: number, rate: number, growth: number) =>
    Math.min(1000, daysUntil(rating - written.expected, rate, growth) / YEAR_DAYS);
  const years = Float64Array.from({ length: SAMPLES }, (_, i) =>
    yearsAt(quantile(tbw, a[i]!), quantile(now, b[i]!), straight(perDay, c[i]!)),
  );
  const middle = yearsAt(tbw.expected, now.expected, perDay.expected);
  return worked('years left, growth gone on', about(middle, years), 'years', {
    how: 'sampled',
    formula: 't with rate × t + growth × t² ÷ 2 = TBW − written',
    note: 'A thousand years stands for longer than anybody asks.',
    inputs: [tbw, written, now, perDay],
  });
}

const DAY_MS = 86_400_000;
/** Dates, of a range in years from the last reading on; none beyond the year 9999. */
function dates(since: string, day: number, left: Spread): NonNullable<Life['runsOut']> {
  const start = Date.parse(since) + day * DAY_MS;
  const at = (years: number) =>
    new Date(Math.min(start + years * YEAR_DAYS * DAY_MS, Date.parse('9999-12-31')))
      .toISOString()
      .slice(0, 10);
  return { earliest: at(left.low), expected: at(left.expected), latest: at(left.high) };
}

/** Share of a disk's yearly workload rating that reads and writes together use: above 1 it is overworked. */
export const workloadShare = formula({
  name: 'share of the workload rating',
  unit: '%',
  inputs: { moved: 'read and written a day', rated: 'rated a day' },
  of: (m, x) => m.div(x.moved, x.rated),
});
