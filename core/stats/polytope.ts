import { solve } from './squares';

/** A half-space: all x with `of` · x ≤ `most`. */
export interface HalfSpace {
  of: readonly number[];
  most: number;
}

type Point = readonly number[];
interface Corner {
  x: Point;
  /** The half-spaces on whose edge it lies, by their place. */
  on: ReadonlySet<number>;
}

const NEAR = 1e-9;
const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, v, i) => sum + v * b[i]!, 0);
const near = (a: number, b: number) => Math.abs(a - b) <= NEAR * (1 + Math.abs(a) + Math.abs(b));

/** All choices of so many of 0 … n − 1. */
function* choices(n: number, many: number, from = 0): Generator<number[]> {
  if (many === 0) yield [];
  else for (let i = from; i < n; i++) for (const rest of choices(n, many - 1, i + 1)) yield [i, ...rest];
}

function cornersOf(bounds: readonly HalfSpace[]): Corner[] {
  const found: Corner[] = [];
  for (const choice of choices(bounds.length, bounds[0]!.of.length)) {
    const x = solve(
      choice.map((i) => [...bounds[i]!.of]),
      choice.map((i) => bounds[i]!.most),
    );
    if (!x?.every(Number.isFinite)) continue;
    const at = bounds.map(({ of, most }) => ({ value: dot(of, x), most }));
    if (!at.every(({ value, most }) => value <= most || near(value, most))) continue;
    if (found.some((other) => other.x.every((v, i) => near(v, x[i]!)))) continue;
    found.push({ x, on: new Set(at.flatMap(({ value, most }, i) => (near(value, most) ? i : []))) });
  }
  return found;
}

/** Cut into simplices: from its first corner to each face that it does not lie on, those cut in the same way. */
function simplices(corners: readonly Corner[], dimensions: number): Point[][] {
  const [apex, ...others] = corners;
  if (!apex) return [];
  if (dimensions === 0) return [[apex.x]];
  const faces = new Map<string, Corner[]>();
  for (const bound of new Set(others.flatMap(({ on }) => [...on]))) {
    if (apex.on.has(bound)) continue;
    const face = others.filter(({ on }) => on.has(bound));
    faces.set(face.map((corner) => corners.indexOf(corner)).join(), face);
  }
  return [...faces.values()].flatMap((face) =>
    simplices(face, dimensions - 1).map((simplex) => [apex.x, ...simplex]),
  );
}

const determinant = (rows: readonly Point[]): number =>
  rows.length === 0
    ? 1
    : rows[0]!.reduce(
        (sum, v, k) =>
          sum +
          (k % 2 === 0 ? v : -v) * determinant(rows.slice(1).map((row) => row.filter((_, i) => i !== k))),
        0,
      );

/**
 * All points of a few dimensions within half-spaces that bound it on every side: its corners and its centre of mass.
 * @returns null where there are none
 * @example polytope([{ of: [-1], most: -2 }, { of: [1], most: 6 }]) // { corners: [[2], [6]], centre: [4] }
 */
export function polytope(bounds: readonly HalfSpace[]): { corners: Point[]; centre: Point } | null {
  const corners = cornersOf(bounds);
  if (corners.length === 0) return null;
  const dimensions = bounds[0]!.of.length;
  const mean = (points: readonly Point[]) =>
    points[0]!.map((_, i) => points.reduce((sum, x) => sum + x[i]!, 0) / points.length);
  const parts = simplices(corners, dimensions)
    .filter((simplex) => simplex.length === dimensions + 1)
    .map(([apex, ...rest]) => ({
      volume: Math.abs(determinant(rest.map((x) => x.map((v, i) => v - apex![i]!)))),
      middle: mean([apex!, ...rest]),
    }));
  const whole = parts.reduce((sum, { volume }) => sum + volume, 0);
  const points = corners.map(({ x }) => x);
  // One without any width has no volume: then the middle of its corners stands for it.
  const centre =
    whole > 0
      ? points[0]!.map((_, i) => parts.reduce((sum, part) => sum + part.volume * part.middle[i]!, 0) / whole)
      : mean(points);
  return { corners: points, centre };
}
