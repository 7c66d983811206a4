import fc from 'fast-check';
import { phases, rateAt, steadyTime, transferTime, type TransferNumbers } from '.';

const rate = fc.double({ min: 1e6, max: 7e9, noNaN: true });
const numbers = fc.record<TransferNumbers>({
  bytes: fc.double({ min: 1e6, max: 1e13, noNaN: true }),
  files: fc.integer({ min: 0, max: 1_000_000 }),
  other: rate,
  carries: rate,
  fast: rate,
  rest: rate,
  cache: fc.double({ min: 0, max: 1e12, noNaN: true }),
  perFile: fc.double({ min: 0, max: 5e-3, noNaN: true }),
});
const demo: TransferNumbers = { bytes: 400e9, files: 0, other: 3e9, carries: 950e6, fast: 1700e6, rest: 500e6, cache: 95e9, perFile: 0 };

describe('a sequential transfer with a cache that runs out', () => {
  test('worked by hand: 95 GB at 950 MB/s, 305 GB at 500 MB/s', () => {
    expect(transferTime(demo)).toBeCloseTo(100 + 610, 6);
    expect(phases(demo).map((p) => [p.limit, p.to.bytes, Math.round(p.rate / 1e6)])).toEqual([['links', 95e9, 950], ['rest', 400e9, 500]]);
  });

  test('the working shows its formula', () => {
    const words = transferTime.explain(Object.fromEntries(Object.entries(demo).map(([k, v]) => [k, { low: v, expected: v, high: v, unit: 'count', because: { name: k, how: 'given', inputs: [] } }])) as never).because.formula;
    expect(words).toBe('least of (bytes; cache) ÷ least of (other end; links; drive in cache) + greatest of (bytes − cache; 0) ÷ least of (other end; links; drive in cache; drive after cache) + files × cost of a file');
  });

  test('phases end where the formula says, in time and bytes', () => {
    fc.assert(
      fc.property(numbers, (x) => {
        const last = phases(x).at(-1)!;
        expect(last.to.time / transferTime(x)).toBeCloseTo(1, 9);
        expect(last.to.bytes).toBe(x.bytes);
      }),
    );
  });

  test('agrees with a small-step integration within 0.1 %', () => {
    fc.assert(
      fc.property(numbers, (x) => {
        const steps = 4000;
        let time = 0;
        for (let i = 0; i < steps; i++) time += x.bytes / steps / Math.min(x.other, x.carries, (x.bytes * (i + 0.5)) / steps < x.cache ? x.fast : Math.min(x.fast, x.rest));
        const whole = transferTime({ ...x, perFile: 0 });
        // One step may straddle the edge of the cache: its share of the time is the error the reference itself has.
        const straddle = Math.abs(x.bytes / steps / Math.min(x.other, x.carries, x.fast) - x.bytes / steps / Math.min(x.other, x.carries, x.fast, x.rest));
        expect(Math.abs(time - whole)).toBeLessThanOrEqual(0.001 * whole + straddle);
      }),
      { numRuns: 60 },
    );
  });

  test('more bytes, more files, slower parts: never quicker; more cache: never slower', () => {
    fc.assert(
      fc.property(numbers, fc.double({ min: 1, max: 10, noNaN: true }), (x, k) => {
        const time = transferTime(x) * (1 - 1e-12);
        expect(transferTime({ ...x, bytes: x.bytes * k })).toBeGreaterThanOrEqual(time);
        expect(transferTime({ ...x, files: x.files * k })).toBeGreaterThanOrEqual(time);
        expect(transferTime({ ...x, carries: x.carries / k })).toBeGreaterThanOrEqual(time);
        expect(transferTime({ ...x, cache: x.cache * k }) * (1 - 1e-12)).toBeLessThanOrEqual(transferTime(x));
      }),
    );
  });

  test('reading has one rate and agrees with the steady formula', () => {
    const x = { ...demo, cache: Infinity, rest: demo.fast };
    expect(phases(x)).toHaveLength(1);
    expect(transferTime(x)).toBeCloseTo(steadyTime(x), 9);
  });

  test('rate over bytes follows the phases', () => {
    const stretches = phases(demo);
    expect([rateAt(stretches, 10e9), rateAt(stretches, 200e9)].map((r) => Math.round(r / 1e6))).toEqual([950, 500]);
  });
});
