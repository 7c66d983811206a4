/**
 * The closest fit to values, in the order given, that only ever rises: what lies out of order is pooled to its mean [pool adjacent violators].
 * @returns as many values as came in
 */
export function rising(values: readonly number[]): number[] {
  const pools: { sum: number; count: number }[] = [];
  for (const value of values) {
    let pool = { sum: value, count: 1 };
    for (
      let last = pools.at(-1);
      last && last.sum * pool.count >= pool.sum * last.count;
      last = pools.at(-1)
    ) {
      pools.pop();
      pool = { sum: last.sum + pool.sum, count: last.count + pool.count };
    }
    pools.push(pool);
  }
  return pools.flatMap(({ sum, count }) => new Array<number>(count).fill(sum / count));
}

const apart = (fit: readonly number[], values: readonly number[]): number =>
  fit.reduce((sum, f, i) => sum + (f - values[i]!) ** 2, 0);

/**
 * What values come to given a signal, where they rise or fall with it, whichever fits them better. Alike signals get alike values.
 * @param signal of each case
 * @param values of each case, e.g. 1 where a target is met
 * @returns of each case the value that its signal tells
 */
export function toldBy(signal: ArrayLike<number>, values: ArrayLike<number>): Float64Array {
  const order = Array.from({ length: signal.length }, (_, i) => i).sort((a, b) => signal[a]! - signal[b]!);
  // One value for each signal that occurs: ties tell the same.
  const told = new Float64Array(signal.length);
  for (let from = 0; from < order.length;) {
    let to = from;
    let sum = 0;
    while (to < order.length && signal[order[to]!] === signal[order[from]!]) sum += values[order[to++]!]!;
    for (let k = from; k < to; k++) told[order[k]!] = sum / (to - from);
    from = to;
  }
  const sorted = order.map((i) => told[i]!);
  const up = rising(sorted);
  const down = rising(sorted.map((v) => -v)).map((v) => -v);
  const fit = apart(up, sorted) <= apart(down, sorted) ? up : down;
  order.forEach((i, k) => {
    told[i] = fit[k]!;
  });
  return told;
}
