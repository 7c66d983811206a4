import fc from 'fast-check';
import { gaussian, median, noise } from '../../stats';
import { given } from '../../evidence';
import { formatEnd, formatFromSheet, type Checkpoint } from './format';
import { LAWS, passed, rateShare, timeShare, type Law } from './zone';
import { runs, whole } from '../../fixtures/draws';

const hours = (h: number, m = 0) => (h * 60 + m) * 60;
const law = fc.constantFrom(...LAWS);
const k = fc.double({ min: 0.3, max: 0.99, noNaN: true });
const share = fc.double({ min: 0.001, max: 1, noNaN: true });

/** The integral of 1 ÷ rate by small steps, an independent way to the closed form. */
function bySteps(law: Law, k: number, f: number): number {
  const n = 4000;
  let sum = 0;
  for (let i = 0; i < n; i++) sum += f / n / rateShare(law, k, ((i + 0.5) * f) / n);
  return sum;
}

describe('zones', () => {
  test('the closed forms are the integral of 1 ÷ rate', () => {
    fc.assert(
      fc.property(law, k, share, (law, k, f) =>
        expect(timeShare(law, k, f) / bySteps(law, k, f)).toBeCloseTo(1, 5),
      ),
      runs(60),
    );
  });
  test('what is passed after a time is its inverse', () => {
    fc.assert(
      fc.property(law, k, share, (law, k, f) =>
        expect(passed(law, k, timeShare(law, k, f) / timeShare(law, k, 1))).toBeCloseTo(f, 9),
      ),
      runs(100),
    );
  });
  test('a disk whose tracks are alike runs straight; the ends are the outer and the inner rate', () => {
    for (const l of LAWS) {
      expect([timeShare(l, 1, 0.3), passed(l, 1, 0.3)]).toEqual([0.3, 0.3]);
      expect([rateShare(l, 0.5, 0), rateShare(l, 0.5, 1)]).toEqual([1, 0.5]);
    }
  });
});

describe('the end of a full format', () => {
  // common practice, no source: 16 TB at 7,200 rpm, 26 % (rounded) after 4 h 20 min, done after 21 h 50 min
  test('16 TB from its first checkpoint: within 4 %, the truth inside the range, where a straight line is 24 % short', () => {
    const truth = hours(21, 50);
    const { total, straight } = formatEnd([{ share: 0.26, elapsed: hours(4, 20) }]);
    expect(Math.abs(total.expected / truth - 1)).toBeLessThan(0.04);
    expect([total.low < truth, truth < total.high]).toEqual([true, true]);
    expect(straight / truth - 1).toBeCloseTo(-0.24, 2);
  });

  test('the range holds planted disks of either law, and narrows with checkpoints', () => {
    let [held, heldByOne] = [0, 0];
    const planted = LAWS.flatMap((law) => [0.45, 0.475, 0.5, 0.525, 0.55].map((k) => ({ law, k })));
    for (const { law, k } of planted) {
      const total = hours(20);
      const at = (u: number): Checkpoint => ({
        share: Math.round(passed(law, k, u) * 100) / 100,
        elapsed: u * total,
      });
      const [one, four] = [formatEnd([at(0.2)]), formatEnd([at(0.2), at(0.4), at(0.6), at(0.8)])];
      if (one.total.low <= total && total <= one.total.high) heldByOne++;
      expect(four.total.high - four.total.low).toBeLessThan((one.total.high - one.total.low) / 2);
      if (four.total.low <= total && total <= four.total.high) held++;
      expect(Math.abs(four.total.expected / total - 1)).toBeLessThan(0.02);
    }
    // All but those at the very edge of what disks are like.
    expect(heldByOne).toBeGreaterThanOrEqual(planted.length * 0.8);
    expect(held).toBeGreaterThanOrEqual(planted.length * 0.8);
  });

  test('read as it turns, a display that cuts off tells more: the range is narrower and holds the disk', () => {
    const total = hours(20);
    const checkpoints = (turned: boolean) =>
      [0.23, 0.46].map((share) => ({
        share,
        elapsed: (total * timeShare('linear', 0.5, share)) / timeShare('linear', 0.5, 1),
        turned,
      }));
    const [about, turned] = [formatEnd(checkpoints(false)).total, formatEnd(checkpoints(true)).total];
    expect(turned.high - turned.low).toBeLessThan(0.9 * (about.high - about.low));
    expect([turned.low < total, total < turned.high]).toEqual([true, true]);
  });

  describe('unsteady passes, shown rounded or cut off', () => {
    /** A disk whose speed strays by a share for a tenth of it at a time: the share at which each hundredth is through. */
    function pass(law: Law, k: number, unsteady: number, normal: () => number) {
      const steps = 400;
      const keep = Math.exp(-1 / (0.1 * steps));
      let stray = normal();
      let elapsed = 0;
      const times = [0];
      for (let i = 1; i <= steps; i++) {
        elapsed +=
          (timeShare(law, k, i / steps) - timeShare(law, k, (i - 1) / steps)) * (1 + unsteady * stray);
        stray = stray * keep + normal() * Math.sqrt(1 - keep * keep);
        times.push(elapsed);
      }
      return (time: number) => {
        const after = times.findIndex((t) => t >= time * elapsed);
        const [a, b] = [times[after - 1]!, times[after]!];
        return (after - 1 + (time * elapsed - a) / (b - a)) / steps;
      };
    }

    whole.each([1, 2, 3])('90 %% ranges hold 85 to 95 %% of the time, at %i checkpoints', (count) => {
      const uniform = noise(7 + count);
      const normal = gaussian(uniform);
      const passes = 120;
      let held = 0;
      const errors: number[] = [];
      for (let n = 0; n < passes; n++) {
        const law = LAWS[n % 2]!;
        const at = pass(law, 0.45 + 0.1 * uniform(), 0.003 + 0.017 * uniform(), normal);
        const cut = n % 4 < 2 ? Math.round : Math.floor;
        const total = hours(8 + 20 * uniform());
        const first = 0.1 + 0.3 * uniform();
        const checkpoints = Array.from({ length: count }, (_, i) => {
          const time = first + 0.18 * i;
          return { share: Math.max(0.01, cut(at(time) * 100) / 100), elapsed: time * total };
        });
        const found = formatEnd(checkpoints).total;
        if (found.low <= total && total <= found.high) held++;
        errors.push(Math.abs(found.expected / total - 1));
      }
      expect(held / passes).toBeGreaterThanOrEqual(0.85);
      expect(held / passes).toBeLessThanOrEqual(0.95);
      expect(median(errors)).toBeLessThan(0.03);
    });
  });

  test('fine checkpoints tell the law and k', () => {
    const fine = (law: Law, k: number) =>
      formatEnd(
        Array.from({ length: 19 }, (_, i) => ({
          share: passed(law, k, (i + 1) / 20),
          elapsed: ((i + 1) / 20) * hours(10),
          grain: 0.0001,
        })),
      );
    expect(fine('linear', 0.48).laws.linear).toBeGreaterThan(0.9);
    expect(fine('constant density', 0.52).laws['constant density']).toBeGreaterThan(0.9);
    expect(fine('linear', 0.48).k.expected).toBeCloseTo(0.48, 2);
  });

  test('never before the last checkpoint; the points rise', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 60, max: 3e5, noNaN: true }),
        (share, elapsed) => {
          const { total } = formatEnd([{ share, elapsed }]);
          expect(total.low).toBeGreaterThanOrEqual(elapsed * (1 - 1e-9));
          expect([total.low <= total.expected, total.expected <= total.high]).toEqual([true, true]);
        },
      ),
      runs(40),
    );
  });

  test('checkpoints that no disk could give still leave the nearest answer', () => {
    const { total } = formatEnd([
      { share: 0.5, elapsed: hours(1) },
      { share: 0.51, elapsed: hours(10) },
    ]);
    expect([total.low, total.expected, total.high].every(Number.isFinite)).toBe(true);
    expect(total.low).toBeGreaterThanOrEqual(hours(10));
  });

  test('what cannot be is said', () => {
    expect(() => formatEnd([])).toThrow(/checkpoint is needed/);
    expect(() => formatEnd([{ share: 1.2, elapsed: 60 }])).toThrow(/up to 100 %/);
    expect(() => formatEnd([{ share: 0.2, elapsed: 0 }])).toThrow(/after the start/);
  });

  test('before it begins: by capacity and outer rate', () => {
    const source = { kind: 'sheet' as const };
    const end = formatFromSheet(
      given('capacity', 16e12, 'B', source),
      given('outer tracks', 260e6, 'B/s', source),
    );
    expect(end.expected / hours(21, 50)).toBeGreaterThan(0.95);
    expect(end.expected / hours(21, 50)).toBeLessThan(1.15);
    expect([end.low < hours(23), end.high > hours(23)]).toEqual([true, true]);
    expect(end.because.filled).toMatch(/16 TB ÷ 260 MB\/s × /);
  });
});
