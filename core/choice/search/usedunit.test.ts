import fc from 'fast-check';
import { SHOP } from '../../catalog/stock';
import { demoJobs } from '../../demo';
import { middle } from '../../evidence';
import { runs } from '../../fixtures/draws';
import type { Job } from '../../job';
import { searchAll } from './search';
import { usedAdvice, usedAdviceWords, usedUnitOf, type UsedUnit } from './usedunit';
import { wantedFrom } from './wanted';

const UNIT: UsedUnit = {
  fresh: 200,
  asked: null,
  left: 0.8,
  years: 12,
  service: 5,
  warranty: 0.5,
  stop: null,
};

describe('a used unit', () => {
  test('is worth its share of a new one; bought, bought at, or not', () => {
    expect(usedAdvice(UNIT)).toEqual({ say: 'buy at', fair: 112 });
    expect(usedAdvice({ ...UNIT, asked: 110 })).toEqual({ say: 'buy', fair: 112 });
    expect(usedAdvice({ ...UNIT, asked: 113 })).toEqual({ say: 'buy at', fair: 112 });
    expect(usedAdvice({ ...UNIT, stop: 'Media errors: 2.' }).say).toBe('do not buy');
    expect(usedAdvice({ ...UNIT, years: 4.9 }).say).toBe('do not buy');
    expect(usedAdvice({ ...UNIT, left: 0 }).say).toBe('do not buy');
    expect(usedAdvice({ ...UNIT, fresh: null }).say).toBe('cannot say');
  });

  test('less left, less warranty or a cheaper new one never make it worth more; never as much as new', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, fc.integer({ min: 20, max: 900 }), (a, b, c, d, fresh) => {
        const worth = (left: number, warranty: number, price: number) =>
          usedAdvice({ ...UNIT, left, warranty, fresh: price }).fair ?? 0;
        const [less, more] = [
          worth(Math.min(a, b), Math.min(c, d), fresh),
          worth(Math.max(a, b), Math.max(c, d), fresh),
        ];
        expect(less).toBeLessThanOrEqual(more);
        expect(worth(a, c, fresh / 2)).toBeLessThanOrEqual(worth(a, c, fresh));
        expect(more).toBeLessThan(fresh);
      }),
      runs(300),
    );
  });

  test('each in a sentence with its reason', () => {
    const words = (more: Partial<UsedUnit>) => usedAdviceWords({ ...UNIT, ...more }, 'EUR');
    expect(words({})).toMatch(
      /^Buy at 112\sEUR at most\. New it costs 200\sEUR; 80\s% of its rating is left, 50\s% of its warranty is left\.$/,
    );
    expect(words({ asked: 90, warranty: 0, left: null })).toMatch(
      /^Buy at 55\sEUR at most\..*what was written on it is not known, no warranty is left/,
    );
    expect(words({ stop: 'Media errors: 2.' })).toBe('Do not buy: Media errors: 2.');
    expect(words({ years: 3 })).toMatch(/written after 3 years of this work, and it is to serve 5\./);
    expect(words({ left: 0 })).toMatch(/nothing is left/);
    expect(words({ fresh: null })).toMatch(/no price of a new one/);
  });
});

test('what is asked for it is what its builds cost; without, it is there already and costs nothing', () => {
  const [offload] = demoJobs() as [Job];
  const { chain: _, ...job } = offload;
  const drive = SHOP.drives.find(
    ({ media, tbw, form, capacity }) =>
      media === 'flash' && form.startsWith('M.2') && middle(tbw) !== null && (middle(capacity) ?? 0) >= 4e12,
  )!;
  const few = { ...SHOP, drives: [drive] };
  const page = 'Percentage Used: 20%\nMedia and Data Integrity Errors: 0';
  const noted = { drive: drive.id, at: '2026-11-20T10:00:00.000Z', text: page };
  const asked = { amount: 77, currency: job.budget?.currency ?? 'EUR' };
  const made = (used: NonNullable<Job['used']>[number]): Job => ({
    ...job,
    owned: [`drives/${drive.id}`],
    used: [used],
  });
  const searchFor = (of: Job) => {
    const wanted = wantedFrom(of, undefined, few, { shopRanges: {} })!;
    return { wanted, shop: few, found: searchAll(wanted, few) };
  };
  const [there, offered] = [searchFor(made(noted)), searchFor(made({ ...noted, asked }))];
  const costOf = ({ found }: typeof there) => new Map(found.candidates.map(({ id, cost }) => [id, cost]));
  const [free, paid] = [costOf(there), costOf(offered)];
  expect(free.size).toBeGreaterThan(0);
  for (const [id, cost] of free) {
    const { together = 1 } = there.found.candidates.find((one) => one.id === id)!.build;
    // It is there once.
    if (together > 1) expect(paid.has(id)).toBe(false);
    else if (cost !== null) expect(paid.get(id)).toBeCloseTo(cost + 77, 2);
  }
  // Asked in a currency that nobody has converted: what it costs is not known, and not nothing.
  const abroad = searchFor(made({ ...noted, asked: { amount: 77, currency: 'NOK' } }));
  for (const { cost } of abroad.found.candidates) expect(cost).toBeNull();
  expect(usedUnitOf(offered, { ...noted, asked, warrantyUntil: '2027-11-20' }, '2026-11-20')).toMatchObject({
    asked: 77,
    left: expect.closeTo(0.8, 6),
    stop: null,
  });
});
