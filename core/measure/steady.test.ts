import fc from 'fast-check';
import { STEADY_RULE, steadyIn } from './steady';
import { sizesOfFiles } from './ways/files/request';
import { runs } from '../fixtures/draws';

describe('rounds that are as one another', () => {
  // Worked by hand: of 400, 412, 396, 404, 408 the mean is 404, the greatest less the least 16, the slope of the least squares line
  // (−2·400 − 412 + 404 + 2·408) ÷ 10 = 0.8 a round, 3.2 over the window.
  test('a worked case', () => {
    const found = steadyIn([900, 700, 520, 400, 412, 396, 404, 408])!;
    expect(found.from).toBe(3);
    expect(found.mean).toBeCloseTo(404, 9);
    expect(found.range).toBeCloseTo(16 / 404, 9);
    expect(found.slope).toBeCloseTo(3.2 / 404, 9);
  });

  test('just inside and just outside of either limit', () => {
    // Greatest less least is 20 % of the mean of 100, without any slope; then a little more.
    expect(steadyIn([90, 110, 100, 110, 90])?.range).toBeCloseTo(0.2, 9);
    expect(steadyIn([89.9, 110.1, 100, 110.1, 89.9])).toBeNull();
    // A straight line that rises by 10 % of its mean over the window; then a little more.
    expect(steadyIn([95, 97.5, 100, 102.5, 105])?.slope).toBeCloseTo(0.1, 9);
    expect(steadyIn([94.9, 97.45, 100, 102.55, 105.1])).toBeNull();
    expect(steadyIn([100, 100, 100, 100])).toBeNull();
  });

  test('the first window that is; the same whatever unit it is in; nothing that still falls by half each round', () => {
    const rounds = fc.array(fc.double({ min: 1, max: 1e6, noNaN: true }), { minLength: 5, maxLength: 25 });
    fc.assert(
      fc.property(rounds, fc.double({ min: 1e-3, max: 1e3, noNaN: true }), (list, unit) => {
        const found = steadyIn(list);
        const slice = (from: number) => steadyIn(list.slice(from, from + STEADY_RULE.window));
        const first = list.findIndex((_, i) => i + STEADY_RULE.window <= list.length && slice(i) !== null);
        expect(found?.from ?? -1).toBe(first);
        if (found && Math.abs(found.range - 0.2) > 1e-9 && Math.abs(found.slope - 0.1) > 1e-9)
          expect(steadyIn(list.map((v) => v * unit))?.from).toBe(found.from);
      }),
      runs(100),
    );
    expect(steadyIn(Array.from({ length: 25 }, (_, i) => 1e6 / 2 ** i))).toBeNull();
  });
});

describe('sizes of many files', () => {
  test('as many as asked for, half below the median, the mean that of a log-normal, always the same', () => {
    for (const [files, median, spread] of [
      [1000, 40_000, 1],
      [1000, 40_000, 2.5],
      [4000, 900_000, 3],
    ] as const) {
      const sizes = sizesOfFiles({ files, median, spread });
      expect(sizes).toHaveLength(files);
      const mean = sizes.reduce((a, b) => a + b, 0) / files;
      expect(mean / (median * Math.exp(Math.log(spread) ** 2 / 2))).toBeCloseTo(1, 1);
      const below = sizes.filter((s) => s < median).length / files;
      if (spread > 1) expect(Math.abs(below - 0.5)).toBeLessThan(0.05);
      expect(sizesOfFiles({ files, median, spread })).toEqual(sizes);
      // In no order: large ones come all along.
      const sorted = [...sizes].sort((a, b) => a - b);
      if (spread > 1) expect(sizes.slice(0, 200)).not.toEqual(sorted.slice(0, 200));
    }
  });

  test('every file once, whatever the count', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 20_000 }), (files) => {
        const sizes = sizesOfFiles({ files, median: 1000, spread: 2 });
        expect(sizes).toHaveLength(files);
        const counts = new Map<number, number>();
        for (const s of sizes) counts.set(s, (counts.get(s) ?? 0) + 1);
        expect(Math.max(...counts.values())).toBeLessThanOrEqual(Math.ceil(files / Math.min(16, files)) + 1);
      }),
      runs(20),
    );
  });
});
