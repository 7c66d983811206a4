import fc from 'fast-check';
import { draws, eachDraw, expectedOf, noise, oneOf, quantile, spread, summary, type Drawing } from '.';
import { runs } from '../fixtures/draws';

describe('even draws', () => {
  test('are the same probabilities for every input, in an order of its own', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.integer({ min: 0, max: 1e6 }), (a, b, seed) => {
        const [x, y] = [draws(a, 200, seed), draws(b, 200, seed)];
        expect([...x].sort((p, q) => p - q)).toEqual(Array.from({ length: 200 }, (_, i) => (i + 0.5) / 200));
        if (a !== b) expect([...x]).not.toEqual([...y]);
        expect(draws(a, 200, seed)).toBe(x);
      }),
      runs(30),
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
    expect([found.low, found.expected, found.high].map((v) => Math.round(v * 10) / 10)).toEqual([
      10, 40, 100,
    ]);
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
    fc.property(
      fc.array(fc.double({ min: -1e9, max: 1e9, noNaN: true }), { minLength: 1, maxLength: 300 }),
      (values) => {
        const { low, expected, high } = summary(Float64Array.from(values));
        return (
          low <= expected && expected <= high && low >= Math.min(...values) && high <= Math.max(...values)
        );
      },
    ),
    runs(100),
  );
  expect(summary(Float64Array.from([Infinity, Infinity, 1]))).toMatchObject({ high: Infinity });
});

describe('choices', () => {
  const fixed = (v: number) => spread(v, v, v);
  const uncertain = {
    inputs: { rest: spread(50, 80, 120), bytes: fixed(7) },
    choices: [
      {
        id: 'revision',
        ways: [
          { id: 'A', inputs: { rest: fixed(900) } },
          { id: 'B', inputs: { rest: spread(50, 60, 70) } },
          { id: 'B', inputs: { rest: spread(50, 60, 70) } },
          { id: 'B', inputs: { rest: spread(50, 60, 70) } },
        ],
      },
      {
        id: 'throttle',
        ways: [
          { id: 'holds', inputs: {} },
          { id: 'steps', inputs: {} },
        ],
      },
    ],
  };
  const all = (drawing?: Drawing) => {
    const found: { rest: number; bytes: number; throttle: string }[] = [];
    eachDraw<string>(
      uncertain,
      20,
      ({ x, chosen }) => found.push({ rest: x.rest!, bytes: x.bytes!, throttle: chosen.throttle! }),
      drawing,
    );
    return found;
  };

  test('each way as often as it stands there, and one choice tells nothing of the other', () => {
    const found = all();
    expect(found.filter((x) => x.rest === 900)).toHaveLength(250);
    expect(found.filter((x) => x.throttle === 'steps')).toHaveLength(500);
    const both = found.filter((x) => x.rest === 900 && x.throttle === 'steps').length;
    expect(both).toBeGreaterThan(95);
    expect(both).toBeLessThan(155);
    expect(found.every((x) => x.bytes === 7 && (x.rest === 900 || x.rest < 90))).toBe(true);
  });

  test('the first way stands for all at the middle', () =>
    expect(expectedOf<string>(uncertain)).toEqual({
      x: { rest: 900, bytes: 7 },
      chosen: { revision: 'A', throttle: 'holds' },
    }));

  test('only some of the draws are the same draws; other names are other draws', () => {
    expect(all({ every: 10 })).toEqual(all().filter((_, i) => i % 10 === 0));
    const other = all({ named: (key) => `${key} of another` });
    expect(other.filter((x) => x.rest === 900)).toHaveLength(250);
    expect(other.map((x) => x.rest)).not.toEqual(all().map((x) => x.rest));
  });

  test('one unit is one way in all, within its ranges', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const { x, chosen } = oneOf<string>(uncertain, noise(seed));
        return (
          (chosen.revision === 'A' ? x.rest === 900 : x.rest! >= 50 && x.rest! <= 70) &&
          ['holds', 'steps'].includes(chosen.throttle!) &&
          x.bytes === 7
        );
      }),
      runs(100),
    );
  });
});
