import fc from 'fast-check';
import { ratesOf } from '.';
import { runs } from '../fixtures/draws';

describe('rates between samples', () => {
  const steps = fc.array(fc.tuple(fc.double({ min: 1e-6, max: 0.4, noNaN: true }), fc.nat(5e7)), {
    minLength: 2,
    maxLength: 400,
  });

  test('never faster than what moved within the least time apart, few enough, in order', () => {
    fc.assert(
      fc.property(steps, fc.integer({ min: 5, max: 200 }), (list, most) => {
        let [t, bytes] = [0, 0];
        const samples = [{ t, bytes }, ...list.map(([dt, b]) => ({ t: (t += dt), bytes: (bytes += b) }))];
        const rates = ratesOf(samples, most);
        expect(rates.length).toBeLessThanOrEqual(most + 1);
        for (const { rate } of rates) expect(rate).toBeLessThanOrEqual(bytes / (0.998 * Math.min(0.09, t)));
        expect(rates.map((r) => r.bytes)).toEqual(rates.map((r) => r.bytes).sort((a, b) => a - b));
      }),
      runs(100),
    );
  });

  test('two readings of a tenth of a microsecond apart make no peak: a run of 200 MB is as fast as it was', () => {
    const samples = [
      { t: 0, bytes: 0 },
      { t: 0.1, bytes: 5e7 },
      { t: 0.2, bytes: 1e8 },
      { t: 0.2000001, bytes: 1.5e8 },
      { t: 0.4, bytes: 2e8 },
    ];
    for (const { rate } of ratesOf(samples, 120)) expect(rate).toBeLessThanOrEqual(6e8);
    expect(ratesOf(samples.slice(0, 1), 120)).toEqual([]);
    expect(ratesOf([samples[0]!, { t: 0.02, bytes: 1e7 }], 120)).toEqual([{ bytes: 1e7, rate: 5e8 }]);
  });
});
