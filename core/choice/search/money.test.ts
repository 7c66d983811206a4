import { DRIVES, SHOP } from '../../catalog/stock';
import type { Price } from '../../catalog/parts';
import { ageOf, historyOf, pricing, STALE, unitOf, usualCurrency } from '../prices/pricing';
import { familyOf, lifeCost, payBack, sizesOf } from './money';
import { holdsWords } from './why';
import { lifeCostWords, payBackWords, priceWords } from './words';

const price = (of: string, on: string, amount: number, more: Partial<Price> = {}): Price => ({
  id: `${of} ${on} ${amount}`,
  name: of,
  of,
  on,
  amount,
  currency: 'EUR',
  ...more,
});

describe('dated prices', () => {
  const list = [
    price('drives/a', '2031-02-01', 120),
    price('drives/a', '2031-04-01', 98),
    price('drives/a', '2031-04-01', 97, { seller: 'North counter' }),
    price('drives/a', '2031-04-02', 105, { currency: 'CHF' }),
    price('cables/c', '2031-03-01', 45, { per: 5 }),
  ];
  test('the newest counts, of one day the cheapest; a pack is priced for one; currencies stay apart', () => {
    const each = pricing(list, 'EUR');
    expect(each.get('drives/a')).toMatchObject({ each: 97, by: { seller: 'North counter' } });
    expect(each.get('cables/c')!.each).toBe(9);
    expect(unitOf(list[4]!)).toBe(9);
    expect(pricing(list, 'CHF').get('drives/a')!.each).toBe(105);
    expect(pricing(list, 'CHF').has('cables/c')).toBe(false);
    expect(
      historyOf(list, 'EUR')
        .get('drives/a')!
        .map((p) => p.amount),
    ).toEqual([97, 98, 120]);
    expect(usualCurrency(list)).toBe('EUR');
    expect(usualCurrency([])).toBeNull();
  });
  test('what was seen in another currency counts by a dated rate, and only where none was seen in this one', () => {
    const seen = (of: string, amount: number, currency: string, on = '2031-05-06') =>
      price(of, on, amount, { currency });
    const prices = [
      seen('drives/a', 80, 'EUR', '2031-01-01'),
      seen('drives/a', 60, 'GBP'),
      seen('drives/b', 100, 'GBP'),
      seen('drives/c', 50, 'EUR'),
      seen('drives/d', 9, 'SEK'),
    ];
    const rates = [
      { from: 'GBP', to: 'EUR', rate: 1.1, on: '2031-01-01' },
      { from: 'GBP', to: 'EUR', rate: 1.25, on: '2031-05-01' },
    ];
    const inEuro = pricing(prices, 'EUR', rates);
    expect([...inEuro].map(([of, { each }]) => [of, each])).toEqual([
      ['drives/a', 80],
      ['drives/c', 50],
      ['drives/b', 125],
    ]);
    expect(inEuro.get('drives/b')!.rate!.on).toBe('2031-05-01');
    expect(pricing(prices, 'GBP', rates).get('drives/c')!.each).toBeCloseTo(40, 9);
    expect(pricing(prices, 'EUR').has('drives/b')).toBe(false);
    expect(priceWords(inEuro.get('drives/b')!, 1)).toContain(
      'seen as 100 GBP, 1 GBP = 1.25 EUR on 2031-05-01',
    );
  });

  test('how old one is, over the change to summer time too', () => {
    expect(ageOf(list[1]!, '2031-05-16')).toBe(45);
    expect(ageOf(list[0]!, '2031-04-01')).toBe(59);
    expect(STALE).toBeLessThan(ageOf(list[0]!, '2031-04-01'));
  });
});

describe('money over time, by worked examples', () => {
  test('pay-back: 90 EUR more, 6 min a day less, 30 EUR an hour', () => {
    // 6 min × 365 = 36.5 h a year; at 30 EUR 1,095 EUR a year: 90 / 1,095 = 0.0822 years, a month.
    expect(payBack(90, 360, 30)).toBeCloseTo(0.08219, 4);
    expect(payBack(90, 0, 30)).toBeNull();
    expect(payBack(90, -5, 30)).toBeNull();
    expect(payBack(-20, 60, 30)).toBe(0);
    expect([
      payBackWords(0.0822),
      payBackWords(0.01),
      payBackWords(0.9),
      payBackWords(3.24),
      payBackWords(null),
      payBackWords(0),
    ]).toEqual([
      'in 5 weeks',
      'within a week',
      'in 11 months',
      'in 3.2 years',
      'saves no time',
      'costs no more',
    ]);
  });
  test('over the service life: purchase, drives bought anew by their rating, hours waited', () => {
    // Written through in 1.8 years, wanted for 5: bought three times in all, twice anew. 10 min a day × 5 years = 304.2 h.
    const cost = lifeCost({ cost: 150, years: 1.8, waits: 600 }, 110, 5, 20)!;
    expect(cost).toMatchObject({ purchase: 150, replacements: 2, replaced: 220 });
    expect(cost.hours).toBeCloseTo(304.17, 1);
    expect(cost.total).toBeCloseTo(150 + 220 + 6083.3, 0);
    expect(lifeCostWords(cost, 'EUR', 20)).toBe(
      'purchase 150 EUR + drives bought anew 2 times 220 EUR + 304 h of waiting at 20 EUR 6,083 EUR',
    );
    expect(lifeCost({ cost: 150, years: 5, waits: 0 }, 110, 5, 20)).toMatchObject({
      replacements: 0,
      total: 150,
    });
    expect(lifeCost({ cost: 150, years: null, waits: 0 }, 110, 5, 20)!.total).toBe(150);
    expect(lifeCost({ cost: null, years: 3, waits: 0 }, 110, 5, 20)).toBeNull();
  });
  test('price per TB over the sizes of one family', () => {
    const two = DRIVES.find((d) => d.id === 'oystral-merlin-2t')!;
    const each: Record<string, number> = {
      'oystral-merlin-1t': 96,
      'oystral-merlin-2t': 164,
      'oystral-merlin-4t': 348,
    };
    const sizes = sizesOf(two, DRIVES, (d) => each[d.id] ?? null);
    expect(sizes.map((s) => [s.drive.id, s.perTB])).toEqual([
      ['oystral-merlin-1t', 96],
      ['oystral-merlin-2t', 82],
      ['oystral-merlin-4t', 87],
    ]);
    expect(familyOf({ maker: 'A', model: 'Reed 500 GB' })).toBe('A Reed');
    expect(familyOf({ maker: 'A', model: 'Reed 1.92TB Pro' })).toBe('A Reed Pro');
  });
  test('every part in stock has a dated price, or none; none is of a part that is not there', () => {
    const known = new Set(
      (['drives', 'bridges', 'cables', 'accessories', 'hubs'] as const).flatMap((kind) =>
        SHOP[kind].map((part) => `${kind}/${part.id}`),
      ),
    );
    for (const { of } of SHOP.prices) expect(known).toContain(of);
    expect(SHOP.prices.length).toBeGreaterThan(100);
  });
});

test.each([
  ['Larkmoor Sedge 4 TB QLC flash', '4 tb qlc', true],
  ['Larkmoor Sedge 4 TB QLC flash', '4TB QLC', true],
  ['Larkmoor Sedge 1 TB in Tesselin Vault 40 QLC', '4 tb qlc', false],
  ['Larkmoor Sedge 14 TB', '4 tb', false],
  ['Oystral Merlin 4 TB', 'merl', true],
  ['Oystral Merlin 4 TB', '', true],
])('“%s” holds “%s”: %s', (name, text, does) => expect(holdsWords(name, text)).toBe(does));
