import fc from 'fast-check';
import { cholesky, forward } from './cholesky';
import { runs } from '../fixtures/draws';

/** A positive definite matrix: M·Mᵀ and a little more on the diagonal. */
const definite = fc
  .integer({ min: 1, max: 8 })
  .chain((n) =>
    fc.array(fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: n, maxLength: n }), {
      minLength: n,
      maxLength: n,
    }),
  )
  .map((m) =>
    m.map((a, i) => m.map((b, j) => a.reduce((s, x, k) => s + x * b[k]!, 0) + (i === j ? 0.1 : 0))),
  );
const at = (lower: number[][], i: number, j: number): number => lower[i]![j] ?? 0;

test('its triangle times itself turned is the matrix again, and solves', () => {
  fc.assert(
    fc.property(definite, (of) => {
      const lower = cholesky(of);
      of.forEach((row, i) =>
        row.forEach((value, j) => {
          const sum = row.reduce((s, _, k) => s + at(lower, i, k) * at(lower, j, k), 0);
          expect(sum).toBeCloseTo(value, 8);
        }),
      );
      const x = forward(lower, (i) => i + 1);
      x.forEach((_, i) => expect(x.reduce((s, v, j) => s + at(lower, i, j) * v, 0)).toBeCloseTo(i + 1, 6));
    }),
    runs(100),
  );
});

test('a matrix that is none of a scatter is refused', () => {
  expect(() =>
    cholesky([
      [1, 2],
      [2, 1],
    ]),
  ).toThrow(/positive definite/);
});
