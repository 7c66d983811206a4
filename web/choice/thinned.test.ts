import fc from 'fast-check';
import { spanOf, thinned, type Point } from './thinned';
import { runs } from '../../core/fixtures/draws';

const points = fc
  .array(
    fc.record({ x: fc.integer({ min: 1, max: 2000 }), y: fc.double({ min: 0, max: 900, noNaN: true }) }),
    { minLength: 1, maxLength: 200 },
  )
  .map((list) => list.map((p, index): Point => ({ index, ...p })));

test('no point is made up or drawn twice; those that are drawn apart are left out; alone it stays', () => {
  fc.assert(
    fc.property(points, fc.integer({ min: 0, max: 20 }), (list, own) => {
      const shown = thinned(list, new Set([own]));
      expect(new Set(shown.map((p) => p.index)).size).toBe(shown.length);
      expect(shown.every((p) => list[p.index] === p && p.index !== own)).toBe(true);
      if (list.some((p) => p.index !== own)) expect(shown.length).toBeGreaterThan(0);
    }),
    runs(100),
  );
});

test('hundreds of thousands become as many as the eye tells apart', () => {
  const many = Array.from({ length: 300_000 }, (_, index): Point => ({
    index,
    x: 1 + (index % 997),
    y: (index * 7919) % 1009,
  }));
  expect(spanOf(many.map((p) => p.x))).toEqual([1, 997]);
  expect(thinned(many, new Set()).length).toBeLessThanOrEqual(241 * 241);
  expect(spanOf([])).toEqual([Infinity, -Infinity]);
});
