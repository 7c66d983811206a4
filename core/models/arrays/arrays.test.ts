import { spread } from '../../stats';
import fc from 'fast-check';
import { timeShare } from '../disks';
import { given } from '../../evidence';
import type { ArrayMode } from '../../catalog/parts';
import {
  cannot,
  dataMembers,
  efficiencyOf,
  lossOver,
  operationsFor,
  probability,
  rebuildFails,
  rebuildReads,
  rebuildTime,
  smallWriteCost,
  streamMembers,
  survives,
  throughArray,
  unreadable,
  unreadableTwice,
  writeMultiple,
  yearlyFailure,
  type Layout,
} from '.';

const layout = (mode: ArrayMode, members: number): Layout => ({ mode, members, by: 'system' });
const HOUR = 3600;

test.each<[ArrayMode, number, number, number, number, number]>([
  ['single', 1, 1, 0, 1, 1],
  ['stripe', 4, 4, 0, 1, 1],
  ['concatenation', 3, 3, 0, 1, 1],
  ['mirror', 2, 1, 1, 2, 2],
  ['mirror', 3, 1, 2, 3, 3],
  ['parity', 4, 3, 1, 4, 4 / 3],
  ['double parity', 6, 4, 2, 6, 1.5],
  ['stripe of mirrors', 4, 2, 1, 2, 2],
])(
  '%s of %i: data of %d, survives %d, a small write costs %d, full stripes write %d times',
  (mode, n, data, failures, cost, multiple) => {
    const l = layout(mode, n);
    expect([dataMembers(l), survives(l), smallWriteCost(l), writeMultiple(l, false)]).toEqual([
      data,
      failures,
      cost,
      multiple,
    ]);
    expect(cannot(l)).toBeNull();
    expect(efficiencyOf(l)).toBe(data / n);
    for (const d of ['read', 'write'] as const) expect(streamMembers(l, d).high).toBeLessThanOrEqual(n);
  },
);

describe('operations of members for one of the user’s', () => {
  const at = (mode: ArrayMode, members: number, block: number, direction: 'read' | 'write', strip?: number) =>
    operationsFor({ ...layout(mode, members), strip }, block, direction);
  const KIB = 1024;

  test.each<[ArrayMode, number, number, number, number, number]>([
    // Blocks in strips of 64 KiB: a part of one, one whole, three, and whole stripes.
    ['parity', 4, 4, 4, 2, 2],
    ['parity', 4, 64, 4, 2, 2],
    ['parity', 4, 192, 4, 1, 3],
    ['parity', 8, 384, 8, 2, 6],
    ['double parity', 6, 4, 6, 2, 1],
    ['double parity', 6, 256, 6, 1, 4],
    ['stripe', 4, 256, 4, 1, 4],
    ['stripe of mirrors', 4, 128, 4, 1, 2],
    ['mirror', 3, 4, 3, 1, 1],
    ['concatenation', 3, 256, 1, 1, 1],
  ])(
    '%s of %i, %d KiB: %d to write, %d in turns, %d strips touched',
    (mode, members, kib, operations, turns, touched) => {
      expect(at(mode, members, kib * KIB, 'write', 64 * KIB)).toEqual({
        operations: expect.objectContaining({ expected: operations }),
        turns: expect.objectContaining({ expected: turns }),
      });
      if (mode.includes('stripe') || kib >= 192)
        expect(at(mode, members, kib * KIB, 'read', 64 * KIB).operations.expected).toBe(
          mode === 'concatenation' ? 1 : touched,
        );
    },
  );

  test('laws: a strip nobody knows holds every usual one; writes never cost less than reads, nor more than all members twice', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<ArrayMode>('stripe', 'parity', 'double parity', 'stripe of mirrors'),
        fc.integer({ min: 2, max: 8 }),
        fc.integer({ min: 1, max: 4096 }),
        fc.constantFrom(64, 128, 256, 512),
        (mode, half, kib, strip) => {
          const [open, known, reads] = [
            at(mode, 2 * half + 2, kib * KIB, 'write'),
            at(mode, 2 * half + 2, kib * KIB, 'write', strip * KIB),
            at(mode, 2 * half + 2, kib * KIB, 'read', strip * KIB),
          ];
          const { expected } = known.operations;
          return (
            open.operations.low <= open.operations.high &&
            expected >= reads.operations.expected &&
            expected <= Math.max(6, 2 * Math.ceil(kib / strip) + 2 * half + 2) &&
            open.operations.low <= expected &&
            expected <= open.operations.high
          );
        },
      ),
    );
  });
});

test('too few, or an odd number, are told', () => {
  expect(cannot(layout('parity', 2))).toMatch(/at least 3/);
  expect(cannot(layout('stripe of mirrors', 5))).toMatch(/even/);
  expect(cannot(layout('stripe', 1))).toMatch(/at least 2/);
});

test('the layer’s cost: 10 Gb/s and 5 Gb/s behind one cost of a byte', () => {
  expect(throughArray({ links: 970e6, cost: 0.16e-9 }) / 1e6).toBeCloseTo(839.7, 0);
  expect(throughArray({ links: 430e6, cost: 0.16e-9 }) / 1e6).toBeCloseTo(402.3, 0);
});

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
      { numRuns: 50 },
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
