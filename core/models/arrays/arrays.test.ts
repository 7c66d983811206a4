import { spread } from '../../stats';
import fc from 'fast-check';
import { timeShare } from '../disks/zone';
import type { Layout } from '../../assembly';
import {
  lossOver,
  probability,
  rebuildFails,
  rebuildReads,
  rebuildTime,
  unreadable,
  unreadableTwice,
  yearlyFailure,
} from './risk';
import { given } from '../../evidence';
import type { ArrayMode } from '../../catalog/parts';
import { runs } from '../../fixtures/draws';

const layout = (mode: ArrayMode, members: number): Layout => ({ mode, members, by: 'system' });
const HOUR = 3600;

describe('chances', () => {
  test('a year at a million hours: 0.87 % [published relation 1 − exp(−8,766 h ÷ MTBF)]', () => {
    expect(yearlyFailure(1e6 * HOUR)).toBeCloseTo(0.00873, 5);
    expect(yearlyFailure(2.5e6 * HOUR)).toBeCloseTo(0.0035, 4);
  });

  test('unreadable while reading 12 TB at 1 in 10¹⁴ bits: 62 %; at 1 in 10¹⁵: 9 %', () => {
    expect(unreadable(12e12, 1e-14)).toBeCloseTo(0.617, 3);
    expect(unreadable(12e12, 1e-15)).toBeCloseTo(0.0915, 3);
    // What plain arithmetic would round away.
    expect(unreadable(1, 1e-17)).toBeCloseTo(8e-17, 20);
  });

  test('laws: between 0 and 1, more bytes and worse media never safer, two never likelier than one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e3, max: 1e15, noNaN: true }),
        fc.double({ min: 1e-17, max: 1e-12, noNaN: true }),
        (bytes, p) => {
          const one = unreadable(bytes, p);
          const two = unreadableTwice(bytes, p);
          return (
            one >= 0 &&
            one <= 1 &&
            two >= 0 &&
            two <= one * (1 + 1e-12) &&
            unreadable(bytes * 2, p) >= one &&
            unreadable(bytes, p * 2) >= one &&
            unreadableTwice(bytes * 2, p) >= two
          );
        },
      ),
      runs(100),
    );
  });

  test('two unreadable ones, by the Poisson sum itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 30, noNaN: true }), (mean) => {
        const bytes = 1e12;
        const p = -Math.expm1(-mean / (bytes * 8));
        let sum = 0;
        for (let k = 2, term = (Math.exp(-mean) * mean * mean) / 2; k < 200; k++, term *= mean / k)
          sum += term;
        expect(unreadableTwice(bytes, p)).toBeCloseTo(sum, 9);
      }),
      runs(50),
    );
  });

  test('a rebuild reads all others, and double parity makes up for one fault', () => {
    expect([
      rebuildReads(layout('parity', 5), 8e12),
      rebuildReads(layout('mirror', 2), 8e12),
      rebuildReads(layout('stripe', 4), 8e12),
    ]).toEqual([32e12, 8e12, 0]);
    expect(rebuildFails(layout('parity', 6), 8e12, 1e-15)).toBeGreaterThan(
      rebuildFails(layout('double parity', 6), 8e12, 1e-15),
    );
    expect(rebuildFails(layout('stripe', 4), 8e12, 1e-15)).toBe(1);
  });

  test('loss over the service life: by the published mean times to data loss, in closed form', () => {
    const [mtbf, repair, life] = [1e6 * HOUR, 24 * HOUR, 5 * 8766 * HOUR];
    expect(lossOver(layout('parity', 4), mtbf, repair, life)).toBeCloseTo(
      -Math.expm1(-life / ((mtbf * mtbf) / (4 * 3 * repair))),
      12,
    );
    expect(lossOver(layout('double parity', 6), mtbf, repair, life)).toBeCloseTo(
      -Math.expm1(-life / (mtbf ** 3 / (6 * 5 * 4 * repair ** 2))),
      15,
    );
    expect(lossOver(layout('mirror', 2), mtbf, repair, life)).toBeCloseTo(
      -Math.expm1(-life / (mtbf ** 2 / (2 * repair))),
      12,
    );
    expect(lossOver(layout('stripe', 4), mtbf, repair, life)).toBeCloseTo(
      -Math.expm1((-4 * life) / mtbf),
      12,
    );
  });

  test('by simulated years: mean time to data loss of a small parity array of bad members', () => {
    // Members so bad that losses are frequent, drawn from a fixed stream of numbers: next failure, then another one before the repair is done.
    const [n, mtbf, repair] = [3, 1000, 20];
    let state = 12345;
    const uniform = () => ((state = (state * 1103515245 + 12345) % 2147483648) + 0.5) / 2147483648;
    let [total, losses] = [0, 0];
    while (losses < 3000) {
      total += (-Math.log(uniform()) * mtbf) / n;
      const second = (-Math.log(uniform()) * mtbf) / (n - 1);
      if (second < repair) losses++;
      else total += repair;
    }
    const mean = total / losses;
    const formula = -1 / Math.log1p(-lossOver(layout('parity', n), mtbf, repair, 1));
    expect(mean / formula).toBeGreaterThan(0.9);
    expect(mean / formula).toBeLessThan(1.15);
  });

  test('more members never safer; a quicker repair never less safe', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<ArrayMode>('stripe', 'parity', 'double parity'),
        fc.integer({ min: 4, max: 16 }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (mode, n, hours) => {
          const at = (members: number, h: number) =>
            lossOver(layout(mode, members), 5e5 * HOUR, h * HOUR, 4e4 * HOUR);
          return at(n + 1, hours) >= at(n, hours) && at(n, hours) >= at(n, hours / 2) && at(n, hours) <= 1;
        },
      ),
      runs(100),
    );
  });
});

test('a rebuild takes a pass over the whole member: by zones for a disk, straight for flash', () => {
  const [capacity, rate] = [
    given('capacity', 16e12, 'B', { kind: 'sheet' }),
    given('rate', 260e6, 'B/s', { kind: 'sheet' }),
  ];
  const zones = spread(
    timeShare('linear', 0.55, 1),
    timeShare('linear', 0.5, 1),
    timeShare('linear', 0.45, 1),
  );
  expect(rebuildTime(capacity, rate, null).expected).toBeCloseTo(16e12 / 260e6, 3);
  expect(rebuildTime(capacity, rate, zones).expected).toBeCloseTo((16e12 / 260e6) * 2 * Math.LN2, 0);
  expect(probability('x', 0.1, 'a', []).unit).toBe('%');
});
