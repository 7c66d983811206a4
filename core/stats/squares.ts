/**
 * Least squares without negative parts, exactly: of all choices of parts that are not zero the best whose parts are all positive.
 * @example nonNegative([[1, 0], [0, 1]], [3, -2]) // [3, 0]
 */
export function nonNegative(rows: readonly (readonly number[])[], wanted: readonly number[]): number[] {
  const n = rows[0]?.length ?? 0;
  let best: { x: number[]; off: number } | null = null;
  for (let mask = 0; mask < 2 ** n; mask++) {
    const on = Array.from({ length: n }, (_, i) => i).filter((i) => mask & (1 << i));
    const part = solve(
      on.map((i) => on.map((j) => rows.reduce((sum, r) => sum + r[i]! * r[j]!, 0))),
      on.map((i) => rows.reduce((sum, r, k) => sum + r[i]! * wanted[k]!, 0)),
    );
    if (!part || part.some((v) => v < 0)) continue;
    const x = Array.from({ length: n }, (_, i) => (on.includes(i) ? part[on.indexOf(i)]! : 0));
    const off = rows.reduce(
      (sum, r, k) => sum + (r.reduce((s, v, i) => s + v * x[i]!, 0) - wanted[k]!) ** 2,
      0,
    );
    if (!best || off < best.off - 1e-15 * (1 + best.off)) best = { x, off };
  }
  return best!.x;
}

/**
 * Solves a small square system by elimination; null where it has no one solution.
 * @example solve([[2, 0], [0, 4]], [2, 2]) // [1, 0.5]
 */
export function solve(a: number[][], b: number[]): number[] | null {
  const m = a.map((row, i) => [...row, b[i]!]);
  for (let c = 0; c < m.length; c++) {
    const p = m.slice(c).reduce((at, row, i) => (Math.abs(row[c]!) > Math.abs(m[at]![c]!) ? c + i : at), c);
    if (Math.abs(m[p]![c]!) < 1e-12 * Math.max(...a.flat().map(Math.abs), 1e-300)) return null;
    [m[c], m[p]] = [m[p]!, m[c]!];
    for (let r = 0; r < m.length; r++)
      if (r !== c) {
        const f = m[r]![c]! / m[c]![c]!;
        for (let k = c; k <= m.length; k++) m[r]![k]! -= f * m[c]![k]!;
      }
  }
  return m.map((row, i) => row[m.length]! / row[i]!);
}
