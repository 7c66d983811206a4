import { exactly, noise, nonNegative, spread } from '../../stats';
import fc from 'fast-check';
import { fcnnlsVector } from 'ml-fcnnls';
import { explaining, given } from '../../evidence';
import { compareLoads, forecastLoad, loadTime, noticeable } from './load';
import { fitLoad, fitted, type LoadTiming } from './fit';
import { runs } from '../../fixtures/draws';

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
): LoadTiming[] =>
  devices.map((d) => ({ ...d, seconds: loadTime({ own, bytes, requests, ...d, beyond: 1 }), error }));
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
        const found = fitLoad(timings(own, bytes, requests), null, 3);
        expect(found.own.expected / own).toBeCloseTo(1, 3);
        expect(found.bytes.expected / bytes).toBeCloseTo(1, 3);
        expect(found.requests.expected / requests).toBeCloseTo(1, 3);
      }),
      runs(40),
    );
  });

  test('with bytes and requests counted two devices do, without three or more', () => {
    const two = DEVICES.slice(1, 3);
    expect(
      fitLoad(timings(17, 3e9, 9000, 0.1, two), { bytes: 3e9, requests: 9000 }, 1).own.expected,
    ).toBeCloseTo(17, 6);
    expect(fitLoad(timings(17, 3e9, 9000, 0.1, two), { bytes: 3e9, requests: 9000 }, 1).kind).toBe('fit');
    expect(fitLoad(timings(17, 3e9, 9000, 0.1, two), null, 1).kind).toBe('bounds');
    expect(() => fitLoad([], null, 1)).toThrow(/on a device at least/);
  });

  test('two devices bound it: the truth lies within, and so does its time on a third', () => {
    fc.assert(
      fc.property(positive(60), positive(20e9), positive(50_000), (own, bytes, requests) => {
        const two = [DEVICES[0]!, DEVICES[3]!];
        const found = fitLoad(timings(own, bytes, requests, 0.05, two), null, 1);
        const holds = ({ low, high }: { low: number; high: number }, truth: number) =>
          expect(low <= truth * (1 + 1e-6) + 1e-6 && truth <= high * (1 + 1e-6) + 1e-6).toBe(true);
        holds(found.own, own);
        holds(found.bytes, bytes);
        holds(found.requests, requests);
        const third = DEVICES[1]!;
        holds(found.on(third), loadTime({ own, bytes, requests, ...third, beyond: 1 }));
        const slow = loadTime({ own, bytes, requests, ...two[0]!, beyond: 1 });
        holds(found.storage, (slow - own) / slow);
      }),
      runs(60),
    );
  });

  test('the figure told is one load that goes with the times itself, not the middles of what each part may be', () => {
    fc.assert(
      fc.property(positive(60), positive(20e9), positive(50_000), (own, bytes, requests) => {
        const two = timings(own, bytes, requests, 0.05, [DEVICES[0]!, DEVICES[3]!]);
        const found = fitLoad(two, null);
        const told = {
          own: found.own.expected,
          bytes: found.bytes.expected,
          requests: found.requests.expected,
        };
        for (const { seconds, error, ...device } of two) {
          expect(Math.abs(loadTime({ ...told, ...device, beyond: 1 }) - seconds)).toBeLessThan(
            2 * error + 1e-6,
          );
          expect(found.on(device).expected).toBeCloseTo(loadTime({ ...told, ...device, beyond: 1 }), 6);
        }
      }),
      runs(60),
    );
  });

  test('what a build writes is a fourth part: found from four devices, bounded by three', () => {
    const at = [
      { rate: 150e6, latency: 10e-3, writing: 140e6 },
      { rate: 420e6, latency: 180e-6, writing: 90e6 },
      { rate: 950e6, latency: 140e-6, writing: 800e6 },
      { rate: 3000e6, latency: 80e-6, writing: 600e6 },
    ];
    const timed = at.map((d) => ({
      ...d,
      seconds: 31 + 5e9 / d.rate + 2500 * d.latency + 7e9 / d.writing,
      error: 0.01,
    }));
    const found = fitLoad(timed, null);
    expect(found.kind).toBe('fit');
    expect(found.written!.expected / 7e9).toBeCloseTo(1, 2);
    expect(found.own.expected).toBeCloseTo(31, 1);
    const three = fitLoad(timed.slice(1), null);
    expect(three.kind).toBe('bounds');
    expect(three.written!.low).toBeLessThanOrEqual(7e9);
    expect(three.written!.high).toBeGreaterThanOrEqual(7e9);
    const counted = fitLoad(timed.slice(0, 2), { bytes: 5e9, requests: 2500, written: 7e9 });
    expect(counted.kind).toBe('fit');
    expect(counted.own.expected).toBeCloseTo(31, 6);
    // Counted but for what it writes: two are still enough, of two unknown parts.
    expect(fitLoad(timed.slice(0, 2), { bytes: 5e9, requests: 2500 }).written!.expected).toBeCloseTo(7e9, -3);
    expect(fitLoad(timings(17, 3e9, 9000), null).written).toBeNull();
  });

  test('the difference of two devices is storage at least: 73 s against 17 s [common practice, no source]', () => {
    const old = { rate: 90e6, latency: 14e-3, seconds: 73, error: 0.1 };
    const flash = { rate: 500e6, latency: 160e-6, seconds: 17, error: 0.1 };
    const { own, storage } = fitLoad([old, flash], null, 1);
    expect(own.high).toBeLessThanOrEqual(17.2);
    expect(storage.low).toBeGreaterThanOrEqual(56 / 73 - 0.01);
    expect(storage.high).toBeLessThanOrEqual(1);
  });

  test('a slower device that was quicker goes with no load', () => {
    const odd = timings(17, 3e9, 9000, 0.01, [DEVICES[0]!, DEVICES[3]!]).map((t, i) => ({
      ...t,
      seconds: [5, 50][i]!,
    }));
    expect(() => fitLoad(odd, null, 1)).toThrow(/No load goes with these times/);
  });

  test('a timing counts by its error: a bad one beside good ones moves nothing', () => {
    const good = timings(12, 4e9, 8000, 0.02);
    const bad = { ...good[1]!, seconds: good[1]!.seconds + 6, error: 8 };
    expect(fitLoad([...good, bad], null, 1).own.expected).toBeCloseTo(12, 2);
    const trusted = fitLoad([...good, { ...bad, error: 0.02 }], null, 1).own.expected;
    expect(Math.abs(trusted - 12)).toBeGreaterThan(0.2);
  });

  test('what is written is part of it', () => {
    const known = (value: number) => ({ value, source: { kind: 'entered' as const } });
    const build = {
      processing: known(40),
      bytes: known(2e9),
      dependentReads: known(1000),
      written: known(8e9),
    };
    const on = (writing: number) => ({
      rate: given('rate', 500e6, 'B/s', { kind: 'entered' as const }),
      latency: given('latency', 1e-4, 's', { kind: 'entered' as const }),
      writing: given('writing', writing, 'B/s', { kind: 'entered' as const }),
    });
    expect(forecastLoad(explaining, build, on(400e6)).time.expected).toBeCloseTo(40 + 4 + 0.1 + 20, 6);
    expect(compareLoads(build, on(400e6), on(800e6)).expected).toBeCloseTo(-10, 6);
    expect(forecastLoad(explaining, { ...build, written: undefined }, on(1)).time.expected).toBeCloseTo(
      44.1,
      6,
    );
  });

  test('its interval holds the truth nine times of ten under the timing error it was told', () => {
    let held = 0;
    for (let seed = 1; seed <= 100; seed++) {
      const n = normal(seed);
      const noisy = timings(12, 4e9, 8000, 0.1).map((t) => ({ ...t, seconds: t.seconds + 0.1 * n() }));
      const { own } = fitLoad(noisy, null, seed + 1000);
      if (own.low <= 12 && 12 <= own.high) held++;
    }
    expect(held).toBeGreaterThanOrEqual(80);
  });

  test('another device is predicted, and what is storage at all is told', () => {
    const fit = fitLoad(timings(20, 2e9, 4000), null, 2);
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
        writing: given('writing', 400e6, 'B/s', { kind: 'entered' }),
      },
    );
    expect(time.expected).toBeCloseTo(20 + 4 + 0.4, 1);
    expect(storage.expected).toBeCloseTo(4.4 / 24.4, 2);
    expect(fitted('own', fit.own, 's', fit, 4).because.note).toMatch(/4 timings/);
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
      runs(60),
    );
  });
});

test('independent errors add in quadrature, not by their sums', () => {
  // 3.5 ± 1.41, all of it above the 2 s that are 20 % of the slower; by sums, 1.5 to 5.5, it would straddle them.
  expect(noticeable(spread(9, 10, 11), spread(5.5, 6.5, 7.5))).toBe('yes');
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
