import {
  about,
  below,
  draws,
  exactly,
  least,
  quantile,
  SAMPLES,
  spread,
  summary,
  type Spread,
} from '../stats';
import fc from 'fast-check';
import { Fact, formula, fromFact, given } from '.';
import { runs } from '../fixtures/draws';

const threePoints = fc
  .tuple(
    fc.integer({ min: 1, max: 10000 }),
    fc.integer({ min: 0, max: 10000 }),
    fc.integer({ min: 0, max: 10000 }),
  )
  .map(([a, b, c]) => spread(a, a + b, a + b + c));
const practice = { kind: 'practice' } as const;

const speed = formula({
  name: 'time',
  unit: 's',
  inputs: { bytes: 'bytes', rate: 'rate' },
  of: (m, x) => m.div(x.bytes, x.rate),
});
const nested = formula({
  name: 'x',
  unit: 'ratio',
  inputs: { a: 'a', b: 'b', c: 'c' },
  of: (m, x) => m.sub(x.a, m.mul(m.num(2), m.div(m.sub(x.b, x.c), m.min(x.a, m.add(x.b, x.c))))),
});

describe('three-point distributions', () => {
  test('the three points are where they should be', () => {
    fc.assert(
      fc.property(threePoints, (s) =>
        [s.low, s.expected, s.high].forEach((point, i) =>
          expect(quantile(s, [0.05, 0.5, 0.95][i]!)).toBeCloseTo(point, 6),
        ),
      ),
      runs(100),
    );
  });

  test('quantiles rise, stay positive and under the ceiling', () => {
    fc.assert(
      fc.property(
        threePoints,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (s, p, q) => {
          const cut = spread(s.low, s.expected, s.high, s.expected);
          return (
            quantile(s, 0) > 0 &&
            quantile(s, Math.min(p, q)) <= quantile(s, Math.max(p, q)) * (1 + 1e-12) &&
            quantile(cut, p) <= s.expected * (1 + 1e-12)
          );
        },
      ),
      runs(100),
    );
  });

  test('below undoes quantile', () => {
    fc.assert(
      fc.property(threePoints, fc.double({ min: 0.001, max: 0.999, noNaN: true }), (s, p) => {
        fc.pre(s.low < s.expected && s.expected < s.high);
        expect(below(s, quantile(s, p))).toBeCloseTo(p, 4);
      }),
      runs(100),
    );
  });

  test('the least of independent quantities agrees with samples', () => {
    fc.assert(
      fc.property(fc.array(threePoints, { minLength: 2, maxLength: 5 }), (parts) => {
        const found = least(parts);
        const sampled = summary(
          Float64Array.from({ length: SAMPLES }, (_, i) =>
            Math.min(...parts.map((part, k) => quantile(part, draws(`part ${k}`, SAMPLES, 1)[i]!))),
          ),
        );
        const widest = Math.max(...parts.map((p) => p.high)) - Math.min(...parts.map((p) => p.low));
        const points = [
          [found.low, sampled.low],
          [quantile(found, 0.5), sampled.expected],
          [found.high, Math.max(sampled.high, found.expected)],
        ] as const;
        for (const [is, expected] of points)
          expect(Math.abs(is - expected)).toBeLessThanOrEqual(0.12 * widest + 1e-6);
        expect(found.expected).toBe(Math.min(...parts.map((p) => p.expected)));
      }),
      runs(100),
    );
  });

  test('the figure that stands for samples moves no draw of them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 1e6, noNaN: true }), { minLength: 20, maxLength: 200 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.06, max: 0.94, noNaN: true }),
        (values, where, p) => {
          const samples = Float64Array.from(values);
          const plain = summary(samples);
          const expected = plain.low + where * (plain.high - plain.low);
          const found = about(expected, samples);
          expect(found.expected).toBe(expected);
          expect(quantile(found, p)).toBe(quantile(plain, p));
        },
      ),
      runs(100),
    );
  });

  test('the least of one is itself and of none is refused', () => {
    expect(least([exactly(5)])).toEqual(exactly(5));
    expect(() => least([])).toThrow(RangeError);
  });
});

describe('formulas', () => {
  test('words and numbers come from one place', () => {
    const time = speed.explain({
      bytes: given('bytes', 100e9, 'B', { kind: 'entered' }),
      rate: given('rate', 500e6, 'B/s', practice),
    });
    expect(time).toMatchObject({
      low: 200,
      expected: 200,
      high: 200,
      unit: 's',
      because: { formula: 'bytes ÷ rate', filled: '100 GB ÷ 500 MB/s', how: 'exact' },
    });
    const n = (v: number) => given('n', v, 'ratio', practice);
    expect(nested.explain({ a: n(9), b: n(3), c: n(1) }).because.formula).toBe(
      'a − 2 × (b − c) ÷ least of (a; b + c)',
    );
    expect(nested({ a: 9, b: 3, c: 1 })).toBe(8);
  });

  test('one uncertain input is carried through exactly, low and high in order', () => {
    const time = speed.explain({
      bytes: given('bytes', 1000, 'B', practice),
      rate: given('rate', spread(10, 20, 50), 'B/s', practice),
    });
    expect(time).toMatchObject({ low: 20, expected: 50, high: 100 });
  });

  test('several uncertain inputs are sampled, the same every time', () => {
    const x = {
      bytes: given('bytes', spread(900, 1000, 1100), 'B', practice),
      rate: given('rate', spread(10, 20, 30), 'B/s', practice),
    };
    const time = speed.explain(x);
    expect(time.because.how).toBe('sampled');
    expect(speed.explain(x)).toEqual(time);
    expect(time.low).toBeGreaterThan(900 / 30);
    expect(time.high).toBeLessThan(1100 / 10);
  });

  test('a wider input never narrows the result', () => {
    fc.assert(
      fc.property(
        threePoints,
        threePoints,
        fc.double({ min: 1, max: 3, noNaN: true }),
        (bytes, rate, factor) => {
          const wide: Spread = { low: rate.low / factor, expected: rate.expected, high: rate.high * factor };
          const run = (r: Spread) =>
            speed.explain({
              bytes: given('b', exactly(bytes.expected), 'B', practice),
              rate: given('r', r, 'B/s', practice),
            });
          const [a, b] = [run(rate), run(wide)];
          return b.low <= a.low * (1 + 1e-12) && b.high >= a.high * (1 - 1e-12);
        },
      ),
      runs(100),
    );
  });
});

describe('facts', () => {
  test('bad facts are refused with their reason', () => {
    expect(Fact.safeParse({ value: [3, 2, 1], source: practice }).error?.issues[0]?.message).toMatch(
      /must rise/,
    );
    expect(Fact.safeParse({ value: -1, source: practice }).success).toBe(false);
  });
  test('not known becomes the market range and says so', () => {
    const cache = fromFact('cache', { value: null, source: { kind: 'unknown' } }, 'B', {
      range: spread(1, 2, 3),
      note: 'TLC',
    });
    expect(cache).toMatchObject({ low: 1, high: 3, because: { source: { kind: 'unknown' } } });
    expect(fromFact('cache', null, 'B')).toBeNull();
  });
});
