/** A build on the plot. */
export interface Point {
  /** Its place among all builds. */
  index: number;
  x: number;
  y: number;
}

/** The least and the most, of however many: what is spread into a call has a limit. */
export function spanOf(values: readonly number[]): [number, number] {
  let [least, most] = [Infinity, -Infinity];
  for (const v of values) {
    least = Math.min(least, v);
    most = Math.max(most, v);
  }
  return [least, most];
}

/** Cells along each side: more points than these hold lie on each other. */
const CELLS = 240;

/** Points of which no two lie on each other to the eye, by a grid over their span; those to keep always stay. */
export function thinned(points: readonly Point[], keep: ReadonlySet<number>): Point[] {
  // By powers of ten, so that the crowded cheap end keeps its detail on either kind of axis.
  const log = (v: number) => Math.log10(Math.max(v, 1e-6));
  const across = (values: readonly number[]): [number, number] => {
    const [least, most] = spanOf(values);
    return [least, most - least || 1];
  };
  const [x0, width] = across(points.map((p) => log(p.x)));
  const [y0, height] = across(points.map((p) => log(p.y)));
  const seen = new Set<number>();
  return points.filter((p) => {
    if (keep.has(p.index)) return false;
    const cell =
      Math.round((CELLS * (log(p.x) - x0)) / width) * (CELLS + 1) +
      Math.round((CELLS * (log(p.y) - y0)) / height);
    if (seen.has(cell)) return false;
    seen.add(cell);
    return true;
  });
}
