import fc from 'fast-check';
import { runs } from '../fixtures/draws';
import { polytope, type HalfSpace } from './polytope';

const box = (ends: readonly (readonly [number, number])[]): HalfSpace[] =>
  ends.flatMap(([low, high], i) => {
    const unit = ends.map((_, k) => (k === i ? 1 : 0));
    return [
      { of: unit, most: high },
      { of: unit.map((v) => -v), most: -low },
    ];
  });
const side = fc.double({ min: 0.1, max: 9, noNaN: true });

test('a box of one to four dimensions has its middle, and two corners a dimension', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(side, side), { minLength: 1, maxLength: 4 }), (sides) => {
      const { corners, centre } = polytope(box(sides.map(([low, width]) => [low, low + width])))!;
      expect(corners).toHaveLength(2 ** sides.length);
      sides.forEach(([low, width], i) => expect(centre[i]).toBeCloseTo(low + width / 2, 8));
    }),
    runs(60),
  );
});

test('a pyramid of unlike sides has its centre a quarter, a fifth from each face [geometry]', () => {
  for (const sides of [
    [1, 2, 5],
    [3, 1, 2, 7],
  ]) {
    const none = sides.map((_, i) => ({ of: sides.map((_, k) => (k === i ? -1 : 0)), most: 0 }));
    const { centre } = polytope([...none, { of: sides.map((s) => 1 / s), most: 1 }])!;
    sides.forEach((s, i) => expect(centre[i]).toBeCloseTo(s / (sides.length + 1), 9));
  }
});

test('cut in two, its centre lies between the two centres, by what each takes', () => {
  // A cube of side 2 with a corner cut off by x + y + z ≤ 5: what is cut has a sixth of 1, its centre at 1.75.
  const cube = box([
    [0, 2],
    [0, 2],
    [0, 2],
  ]);
  const { centre } = polytope([...cube, { of: [1, 1, 1], most: 5 }])!;
  for (const x of centre) expect(x).toBeCloseTo((8 * 1 - (1 / 6) * 1.75) / (8 - 1 / 6), 9);
});

test('said twice it is the same; nothing within is null; without width it has its corners’ middle', () => {
  const square = box([
    [0, 1],
    [2, 4],
  ]);
  expect(polytope([...square, ...square])).toEqual(polytope(square));
  expect(polytope([...square, { of: [1, 0], most: -1 }])).toBeNull();
  expect(
    polytope(
      box([
        [3, 3],
        [2, 4],
      ]),
    )!.centre,
  ).toEqual([3, 3]);
});
