import fc from 'fast-check';
import { draws, noise, quantile, spread, summary } from '.';

describe('even draws', () => {
  test('are the same probabilities for every input, in an order of its own', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.integer({ min: 0, max: 1e6 }), (a, b, seed) => {
        const [x, y] = [draws(a, 200, seed), draws(b, 200, seed)];
        expect([...x].sort((p, q) => p - q)).toEqual(Array.from({ length: 200 }, (_, i) => (i + 0.5) / 200));
        if (a !== b) expect([...x]).not.toEqual([...y]);
        expect(draws(a, 200, seed)).toBe(x);
      }),
      { numRuns: 30 },
    );
  });
  test('two inputs are not correlated by their draws', () => {
    const [x, y] = [draws('bytes', 1000, 20), draws('carries', 1000, 20)];
    const covariance = x.reduce((sum, v, i) => sum + (v - 0.5) * (y[i]! - 0.5), 0) / 1000;
    expect(Math.abs(covariance * 12)).toBeLessThan(0.1);
  });
  test('a lone input is met exactly', () => {
    const s = spread(10, 40, 100);
    const found = summary(draws('x', 1000, 1).map((p) => quantile(s, p)));
    expect([found.low, found.expected, found.high].map((v) => Math.round(v * 10) / 10)).toEqual([10, 40, 100]);
  });
});

test('noise is uniform, seeded and different for every seed', () => {
  const take = (seed: number) => Array.from({ length: 2000 }, noise(seed));
  const values = take(7);
  expect(values.every((v) => v >= 0 && v < 1)).toBe(true);
  expect(Math.abs(values.reduce((a, b) => a + b) / 2000 - 0.5)).toBeLessThan(0.03);
  expect(take(7)).toEqual(values);
  expect(take(8)).not.toEqual(values);
});

test('a summary holds its points in order and inside the samples', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -1e9, max: 1e9, noNaN: true }), { minLength: 1, maxLength: 300 }), (values) => {
      const { low, expected, high } = summary(Float64Array.from(values));
      return low <= expected && expected <= high && low >= Math.min(...values) && high <= Math.max(...values);
    }),
  );
  expect(summary(Float64Array.from([Infinity, Infinity, 1]))).toMatchObject({ high: Infinity });
});
