import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { noise } from '../../stats';
import {
  allowedPerDay,
  DATA_UNIT,
  drivesPerDay,
  lifeFromNew,
  rateBetween,
  ratedPerCapacity,
  WEAK_RATING,
  yearsLeft,
} from './endurance';
import { type EnduranceInput, life, enduranceJsonSchema, lifeByCells, workloadShare } from './life';
import { daysUntil, growthOf } from './rate';
import { runs } from '../../fixtures/draws';

const TB = 1e12;
const GB = 1e9;
const sheet = { kind: 'sheet', note: 'data sheet' } as const;
const input = (more: Partial<EnduranceInput> = {}): EnduranceInput => ({
  tbw: { value: 600 * TB, source: sheet },
  capacity: { value: 1 * TB, source: sheet },
  warrantyYears: { value: 5, source: sheet },
  writesPerDay: null,
  readings: [],
  ...more,
});

// common practice, no source: all figures of this block
describe('2.7 endurance', () => {
  test('600 TB over 5 years: 328.77 GB a day', () =>
    expect(allowedPerDay({ tbw: 600 * TB, years: 5 }) / GB).toBeCloseTo(328.77, 2));
  test('9,790 GB in 155 days: 63.16 GB a day', () =>
    expect(rateBetween({ written: 9790 * GB, before: 0, days: 155 }) / GB).toBeCloseTo(63.16, 2));
  test('that is 26.0 years from new and 25.6 left', () => {
    const { fromNew, left, rate } = life(input({ readings: [{ day: 155, written: 9790 * GB }] }));
    expect(rate!.expected / GB).toBeCloseTo(63.16, 2);
    expect(fromNew!.expected).toBeCloseTo(26.0, 1);
    expect(left!.expected).toBeCloseTo(25.6, 1);
  });
  test('200 TB over 3 years: 182.65 GB a day allowed, 8.7 years at 63.16', () => {
    expect(allowedPerDay({ tbw: 200 * TB, years: 3 }) / GB).toBeCloseTo(182.65, 2);
    expect(lifeFromNew({ tbw: 200 * TB, rate: 63.16 * GB })).toBeCloseTo(8.7, 1);
  });
  test('1,275 TB on 1 TB over 5 years: 0.70 DWPD', () =>
    expect(drivesPerDay({ tbw: 1275 * TB, capacity: TB, years: 5 })).toBeCloseTo(0.7, 2));
  test('usual is 600 per TB; 350 per TB is a warning sign', () => {
    expect(ratedPerCapacity({ tbw: 600 * TB, capacity: TB })).toBe(600);
    expect(WEAK_RATING).toBe(350);
    expect(life(input({ tbw: { value: 350 * TB, source: sheet } })).notes.join()).toMatch(/warning sign/);
    expect(life(input()).notes.join()).not.toMatch(/warning sign/);
  });
  // standard NVM Express, log page 02h: 1,000 × 512 B
  test('NVMe data unit', () => expect(DATA_UNIT).toBe(1000 * 512));

  test('two readings give the rate between them, years left from the last', () => {
    const found = life(
      input({
        readings: [
          { day: 10, written: 1 * TB },
          { day: 110, written: 2 * TB },
        ],
      }),
    );
    expect(found.rate!.expected).toBe(10 * GB);
    expect(found.left!.expected).toBeCloseTo(598e12 / (10e9 * 365), 9);
  });
  test('a used-up rating has no years left, never negative ones', () =>
    expect(yearsLeft({ tbw: TB, written: 2 * TB, rate: GB })).toBe(0));
  test('a range of daily writes gives a range of years', () => {
    const { fromNew } = life(
      input({ writesPerDay: { value: [30 * GB, 60 * GB, 120 * GB], source: { kind: 'entered' } } }),
    );
    expect(fromNew!.low).toBeCloseTo(600e12 / (120e9 * 365), 6);
    expect(fromNew!.high).toBeCloseTo(600e12 / (30e9 * 365), 6);
    expect(fromNew!.because.formula).toBe('TBW ÷ (writes a day × 365)');
  });
  test('what cannot be worked out says why', () => {
    expect(() => life(input({ tbw: { value: null, source: sheet } }))).toThrow(/TBW is not known/);
    expect(() =>
      life(
        input({
          readings: [
            { day: 5, written: TB },
            { day: 5, written: TB },
          ],
        }),
      ),
    ).toThrow(/Reading 2/);
    expect(() => life(input({ readings: [{ day: 0, written: TB }] }))).toThrow(/more than 0 days/);
    expect(life(input()).fromNew).toBeNull();
    expect(life(input({ writesPerDay: { value: 0, source: sheet } })).notes.join()).toMatch(
      /does not run out/,
    );
  });
});

describe('laws of endurance', () => {
  const amount = fc.double({ min: 1e9, max: 1e16, noNaN: true });
  test('life from new and what is left agree on a new drive, and what is left only falls', () => {
    fc.assert(
      fc.property(amount, amount, amount, amount, (tbw, rate, written, more) => {
        expect(yearsLeft({ tbw, written: 0, rate })).toBe(lifeFromNew({ tbw, rate }));
        expect(yearsLeft({ tbw, written: written + more, rate })).toBeLessThanOrEqual(
          yearsLeft({ tbw, written, rate }),
        );
      }),
      runs(100),
    );
  });
  test('writing what is allowed lasts exactly the warranty', () => {
    fc.assert(
      fc.property(amount, fc.integer({ min: 1, max: 10 }), (tbw, years) => {
        expect(lifeFromNew({ tbw, rate: allowedPerDay({ tbw, years }) })).toBeCloseTo(years, 9);
        expect(drivesPerDay({ tbw, capacity: allowedPerDay({ tbw, years }), years })).toBeCloseTo(1, 9);
      }),
      runs(100),
    );
  });
  test('a wider range of daily writes never narrows the years', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (gb, factor) => {
          const years = (k: number) =>
            life(input({ writesPerDay: { value: [(gb * GB) / k, gb * GB, gb * GB * k], source: sheet } }))
              .fromNew!;
          return (
            years(factor * 1.5).low <= years(factor).low && years(factor * 1.5).high >= years(factor).high
          );
        },
      ),
      runs(100),
    );
  });
});

describe('the rate from many readings', () => {
  /** Readings of a drive whose days scatter, at days that do not come evenly; every chance from a seed. */
  const planted = (perDay: number, seed: number, count: number) => {
    const chance = noise(seed);
    let [day, written] = [0, 0];
    return Array.from({ length: count }, (_, i) => {
      const days = i === 0 ? 0 : 3 + Math.floor(chance() * 20);
      for (let d = 0; d < days; d++) written += perDay * -Math.log(1 - chance());
      day += days;
      return { day, written };
    });
  };

  test('all that was written over all the days, as a weighted least-squares line through the increments gives it', () => {
    const readings = planted(63 * GB, 5, 12);
    const { rate } = life(input({ readings }));
    const steps = readings
      .slice(1)
      .map((r, i) => ({ x: r.day - readings[i]!.day, y: r.written - readings[i]!.written }));
    // Weighted by 1 ÷ days through the origin: Σ(x·y/x) ÷ Σ(x²/x).
    expect(rate!.expected).toBeCloseTo(
      steps.reduce((s, p) => s + (p.x * p.y) / p.x, 0) / steps.reduce((s, p) => s + (p.x * p.x) / p.x, 0),
      3,
    );
    expect([rate!.low < rate!.expected, rate!.expected < rate!.high]).toEqual([true, true]);
    expect(rate!.because.note).toMatch(/12 readings over \d+ days/);
  });

  test('its 90 % interval holds the true rate about nine times in ten', () => {
    let held = 0;
    for (let seed = 1; seed <= 400; seed++) {
      const { rate } = life(input({ readings: planted(50 * GB, seed, 9) }));
      if (rate!.low <= 50 * GB && 50 * GB <= rate!.high) held++;
    }
    expect(held / 400).toBeGreaterThan(0.84);
    expect(held / 400).toBeLessThan(0.96);
  });

  test('the range goes into the years left; more readings narrow it; even increments never to nothing', () => {
    const width = (count: number) => {
      const { left } = life(input({ readings: planted(50 * GB, 7, count) }));
      return (left!.high - left!.low) / left!.expected;
    };
    expect(width(60)).toBeLessThan(width(8));
    const even = (...days: number[]) =>
      life(input({ readings: days.map((day) => ({ day, written: day * 20 * GB })) })).rate!;
    expect(even(0, 10, 20, 30).expected).toBe(20 * GB);
    const wide = (...days: number[]) => even(...days).high / even(...days).low;
    // One reading is less sure than three, and a month less than a year: never "June to June".
    expect(wide(300)).toBeGreaterThan(wide(0, 150, 300) * 1.05);
    expect(wide(30)).toBeGreaterThan(wide(300));
    expect(wide(0, 10, 20, 30)).toBeGreaterThan(1.1);
  });
});

describe('growth and dates', () => {
  const growing = (perDay: number, slope: number, days: readonly number[]) =>
    days.map((day) => ({ day, written: perDay * day + (slope * day * day) / 2 }));
  const days = [0, 30, 65, 90, 140, 200];

  test('a planted growth is found, and years left count with it', () => {
    const found = life(input({ readings: growing(50 * GB, 0.2 * GB, days) }));
    expect(found.growth!.perDay.expected / GB).toBeCloseTo(0.2, 6);
    expect(found.growth!.now.expected / GB).toBeCloseTo(50 + 0.2 * 200, 4);
    expect(found.growth!.sure).toBe(true);
    expect(found.leftGrowing!.expected).toBeLessThan(found.left!.expected);
    expect(found.notes.join(' ')).toMatch(/grow/);
  });

  test('without growth the interval holds zero nine times in ten', () => {
    let sure = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const chance = noise(seed);
      let written = 0;
      const readings = Array.from({ length: 9 }, (_, i) => {
        if (i > 0) for (let d = 0; d < 20; d++) written += 50 * GB * -Math.log(1 - chance());
        return { day: i * 20, written };
      });
      if (growthOf(readings)!.sure) sure++;
    }
    expect(sure / 300).toBeGreaterThan(0.04);
    expect(sure / 300).toBeLessThan(0.18);
  });

  test('days until: by adding up day after day', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: -0.01, max: 0.2, noNaN: true }),
        fc.double({ min: 100, max: 1e4, noNaN: true }),
        (rate, growth, bytes) => {
          const found = daysUntil(bytes, rate, growth);
          if (found === Infinity) return expect((rate * rate) / (-2 * growth)).toBeLessThan(bytes);
          expect((rate * found + (growth * found * found) / 2) / bytes).toBeCloseTo(1, 6);
        },
      ),
      runs(100),
    );
    expect([daysUntil(0, 5, 1), daysUntil(100, 5, 0), daysUntil(100, 0, 0)]).toEqual([0, 20, Infinity]);
  });

  test('the date the rating runs out, as a range; none without a date to count from', () => {
    const readings = [
      { day: 0, written: 0 },
      { day: 155, written: 9790 * GB },
    ];
    const found = life(input({ readings, since: '2026-01-01' }));
    expect(found.runsOut!.expected).toBe(
      new Date(Date.parse('2026-06-05') + found.left!.expected * 365 * 86_400_000).toISOString().slice(0, 10),
    );
    expect(
      found.runsOut!.earliest <= found.runsOut!.expected && found.runsOut!.expected <= found.runsOut!.latest,
    ).toBe(true);
    expect(life(input({ readings })).runsOut).toBeNull();
    expect(growthOf(readings)).toBeNull();
  });

  test('by the cells: capacity × cycles ÷ amplification ÷ writes; more bits in a cell never last longer', () => {
    const years = (cell: 'SLC' | 'MLC' | 'TLC' | 'QLC') =>
      life(input({ cell, writesPerDay: { value: 50 * GB, source: sheet } })).byCells!;
    expect(lifeByCells({ capacity: 1e12, cycles: 3000, amplification: 2, rate: 50e9 })).toBeCloseTo(82.19, 2);
    expect(years('SLC').expected).toBeGreaterThan(years('MLC').expected);
    expect(years('MLC').expected).toBeGreaterThan(years('TLC').expected);
    expect(years('TLC').expected).toBeGreaterThan(years('QLC').expected);
    expect(years('TLC').because.inputs.map((i) => i.because.source?.note)).toContain('TLC');
  });

  test('a disk by its workload rating', () =>
    expect(workloadShare({ moved: 1.2e12, rated: 550e12 / 365 })).toBeCloseTo(0.796, 3));
});

test('the published schema is the one in force, and an outside validator takes and refuses by it what the tool does', () => {
  const published = JSON.parse(readFileSync('docs/schema/endurance-v1.schema.json', 'utf8'));
  expect(published).toEqual(JSON.parse(JSON.stringify(enduranceJsonSchema())));
  const ajv = new Ajv({ strict: false });
  addFormats(ajv);
  const check = ajv.compile(published);
  const source = { kind: 'sheet' };
  const input = {
    tbw: { value: 600e12, source },
    capacity: { value: 1e12, source },
    warrantyYears: { value: 5, source },
    writesPerDay: null,
    readings: [{ day: 155, written: 9790e9 }],
    since: '2026-06-23',
  };
  expect([check(input), check.errors]).toEqual([true, null]);
  for (const wrong of [
    { ...input, since: 'June' },
    { ...input, readings: [{ day: -1, written: 0 }] },
    { ...input, tbw: 600 },
  ])
    expect(check(wrong)).toBe(false);
});
