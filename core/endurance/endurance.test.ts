import fc from 'fast-check';
import { allowedPerDay, DATA_UNIT, drivesPerDay, type EnduranceInput, life, lifeFromNew, rateBetween, ratedPerCapacity, WEAK_RATING, yearsLeft } from '.';

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
  test('600 TB over 5 years: 328.77 GB a day', () => expect(allowedPerDay({ tbw: 600 * TB, years: 5 }) / GB).toBeCloseTo(328.77, 2));
  test('9,790 GB in 155 days: 63.16 GB a day', () => expect(rateBetween({ written: 9790 * GB, before: 0, days: 155 }) / GB).toBeCloseTo(63.16, 2));
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
  test('1,275 TB on 1 TB over 5 years: 0.70 DWPD', () => expect(drivesPerDay({ tbw: 1275 * TB, capacity: TB, years: 5 })).toBeCloseTo(0.7, 2));
  test('usual is 600 per TB; 350 per TB is a warning sign', () => {
    expect(ratedPerCapacity({ tbw: 600 * TB, capacity: TB })).toBe(600);
    expect(WEAK_RATING).toBe(350);
    expect(life(input({ tbw: { value: 350 * TB, source: sheet } })).notes.join()).toMatch(/warning sign/);
    expect(life(input()).notes.join()).not.toMatch(/warning sign/);
  });
  // standard NVM Express, log page 02h: 1,000 × 512 B
  test('NVMe data unit', () => expect(DATA_UNIT).toBe(1000 * 512));

  test('two readings give the rate between them, years left from the last', () => {
    const found = life(input({ readings: [{ day: 10, written: 1 * TB }, { day: 110, written: 2 * TB }] }));
    expect(found.rate!.expected).toBe(10 * GB);
    expect(found.left!.expected).toBeCloseTo(598e12 / (10e9 * 365), 9);
  });
  test('a used-up rating has no years left, never negative ones', () => expect(yearsLeft({ tbw: TB, written: 2 * TB, rate: GB })).toBe(0));
  test('a range of daily writes gives a range of years', () => {
    const { fromNew } = life(input({ writesPerDay: { value: [30 * GB, 60 * GB, 120 * GB], source: { kind: 'entered' } } }));
    expect(fromNew!.low).toBeCloseTo(600e12 / (120e9 * 365), 6);
    expect(fromNew!.high).toBeCloseTo(600e12 / (30e9 * 365), 6);
    expect(fromNew!.because.formula).toBe('TBW ÷ (writes a day × 365)');
  });
  test('what cannot be worked out says why', () => {
    expect(() => life(input({ tbw: { value: null, source: sheet } }))).toThrow(/TBW is not known/);
    expect(() => life(input({ readings: [{ day: 5, written: TB }, { day: 5, written: TB }] }))).toThrow(/Reading 2/);
    expect(() => life(input({ readings: [{ day: 0, written: TB }] }))).toThrow(/more than 0 days/);
    expect(life(input()).fromNew).toBeNull();
    expect(life(input({ writesPerDay: { value: 0, source: sheet } })).notes.join()).toMatch(/does not run out/);
  });
});

describe('laws of endurance', () => {
  const amount = fc.double({ min: 1e9, max: 1e16, noNaN: true });
  test('life from new and what is left agree on a new drive, and what is left only falls', () => {
    fc.assert(
      fc.property(amount, amount, amount, amount, (tbw, rate, written, more) => {
        expect(yearsLeft({ tbw, written: 0, rate })).toBe(lifeFromNew({ tbw, rate }));
        expect(yearsLeft({ tbw, written: written + more, rate })).toBeLessThanOrEqual(yearsLeft({ tbw, written, rate }));
      }),
    );
  });
  test('writing what is allowed lasts exactly the warranty', () => {
    fc.assert(
      fc.property(amount, fc.integer({ min: 1, max: 10 }), (tbw, years) => {
        expect(lifeFromNew({ tbw, rate: allowedPerDay({ tbw, years }) })).toBeCloseTo(years, 9);
        expect(drivesPerDay({ tbw, capacity: allowedPerDay({ tbw, years }), years })).toBeCloseTo(1, 9);
      }),
    );
  });
  test('a wider range of daily writes never narrows the years', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.double({ min: 1, max: 5, noNaN: true }), (gb, factor) => {
        const years = (k: number) => life(input({ writesPerDay: { value: [(gb * GB) / k, gb * GB, gb * GB * k], source: sheet } })).fromNew!;
        return years(factor * 1.5).low <= years(factor).low && years(factor * 1.5).high >= years(factor).high;
      }),
    );
  });
});
