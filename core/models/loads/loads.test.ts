import { exactly, noise, spread } from '../../stats';
import fc from 'fast-check';
import { fcnnlsVector } from 'ml-fcnnls';
import { explaining, given } from '../../evidence';
import { fitLoad, fitted, forecastLoad, loadTime, nonNegative, noticeable, type LoadTiming } from '.';

const DEVICES = [
  { rate: 150e6, latency: 10e-3 },
  { rate: 420e6, latency: 180e-6 },
  { rate: 950e6, latency: 140e-6 },
  { rate: 3000e6, latency: 80e-6 },
];
const timings = (
  own: number,
  bytes: number,
  requests: number,
  error = 0.01,
  devices = DEVICES,
): LoadTiming[] => devices.map((d) => ({ ...d, seconds: loadTime({ own, bytes, requests, ...d }), error }));
/** Close to normal: twelve uniform numbers. */
const normal = (seed: number) => {
  const next = noise(seed);
  return () => Array.from({ length: 12 }, next).reduce((a, b) => a + b) - 6;
};
const positive = (max: number) => fc.double({ min: max / 1000, max, noNaN: true });

describe('what a load is made of', () => {
  test('is found again from the times on four devices', () => {
    fc.assert(
      fc.property(positive(60), positive(20e9), positive(50_000), (own, bytes, requests) => {
        const found = fitLoad(timings(own, bytes, requests), null, normal(3));
        expect(found.own.expected / own).toBeCloseTo(1, 3);
        expect(found.bytes.expected / bytes).toBeCloseTo(1, 3);
        expect(found.requests.expected / requests).toBeCloseTo(1, 3);
      }),
      { numRuns: 40 },
    );
  });

  test('with bytes and requests counted two devices do, without three or more', () => {
    const two = DEVICES.slice(1, 3);
    expect(
      fitLoad(timings(17, 3e9, 9000, 0.1, two), { bytes: 3e9, requests: 9000 }, normal(1)).own.expected,
    ).toBeCloseTo(17, 6);
    expect(() => fitLoad(timings(17, 3e9, 9000, 0.1, two), null, normal(1))).toThrow(/3 devices are needed/);
    expect(() =>
      fitLoad(timings(17, 3e9, 9000, 0.1, two.slice(1)), { bytes: 3e9, requests: 9000 }, normal(1)),
    ).toThrow(/2 devices/);
  });

  test('its interval holds the truth nine times of ten under the timing error it was told', () => {
    let held = 0;
    for (let seed = 1; seed <= 100; seed++) {
      const n = normal(seed);
      const noisy = timings(12, 4e9, 8000, 0.1).map((t) => ({ ...t, seconds: t.seconds + 0.1 * n() }));
      const { own } = fitLoad(noisy, null, normal(seed + 1000));
      if (own.low <= 12 && 12 <= own.high) held++;
    }
    expect(held).toBeGreaterThanOrEqual(80);
  });

  test('another device is predicted, and what is storage at all is told', () => {
    const fit = fitLoad(timings(20, 2e9, 4000), null, normal(2));
    const { time, storage } = forecastLoad(
      explaining,
      {
        processing: { value: [fit.own.low, fit.own.expected, fit.own.high], source: { kind: 'measured' } },
        bytes: { value: fit.bytes.expected, source: { kind: 'measured' } },
        dependentReads: { value: fit.requests.expected, source: { kind: 'measured' } },
      },
      {
        rate: given('rate', 500e6, 'B/s', { kind: 'entered' }),
        latency: given('latency', 1e-4, 's', { kind: 'entered' }),
      },
    );
    expect(time.expected).toBeCloseTo(20 + 4 + 0.4, 1);
    expect(storage.expected).toBeCloseTo(4.4 / 24.4, 2);
    expect(fitted('own', fit.own, 's', 4).because.note).toMatch(/4 timings/);
  });

  test('nothing negative, and the same as an outside solver', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(...Array.from({ length: 3 }, () => fc.double({ min: 0.1, max: 10, noNaN: true }))),
          { minLength: 4, maxLength: 8 },
        ),
        fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 8, maxLength: 8 }),
        (rows, wanted) => {
          const b = wanted.slice(0, rows.length);
          const ours = nonNegative(rows, b);
          const theirs = fcnnlsVector(
            rows.map((r) => [...r]),
            b,
          ).K.to1DArray();
          const off = (x: readonly number[]) =>
            rows.reduce((sum, r, k) => sum + (r.reduce((s, v, i) => s + v * x[i]!, 0) - b[k]!) ** 2, 0);
          expect(ours.every((v) => v >= 0)).toBe(true);
          expect(off(ours)).toBeLessThanOrEqual(off(theirs) * (1 + 1e-6) + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });
});

test.each([
  [spread(10, 10.1, 10.2), spread(10.1, 10.2, 10.3), 'no'],
  [spread(10, 10.5, 11), spread(16, 17, 18), 'yes'],
  [spread(10, 11, 12), spread(12, 13.5, 15), 'unclear'],
  [exactly(0.5), exactly(0.7), 'no'],
  [exactly(0.5), exactly(0.9), 'yes'],
] as const)('%j against %j: noticed %s', (a, b, answer) => {
  expect(noticeable(a, b)).toBe(answer);
  expect(noticeable(b, a)).toBe(answer);
});
