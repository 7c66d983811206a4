import fc from 'fast-check';
import type { ArrayMode } from '../../catalog/parts';
import {
  cannot,
  dataMembers,
  operationsFor,
  smallWriteCost,
  streamMembers,
  survives,
  throughArray,
  writeMultiple,
  type Layout,
} from './layout';
import { runs } from '../../fixtures/draws';

const layout = (mode: ArrayMode, members: number): Layout => ({ mode, members, by: 'system' });

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
      runs(100),
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
