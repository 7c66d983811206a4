/** How far something had come: B after s, both growing. Temperature in °C where it was noted, NaN where not. */
export interface Trace {
  t: Float64Array;
  bytes: Float64Array;
  warmth?: Float64Array | undefined;
}

/** A trace over the bytes moved, in pieces of equal size. */
export interface Bins {
  /** B of each. */
  size: number;
  /** s at each edge, one more than bins. */
  edges: Float64Array;
  /** Logarithm of the rate in each, B/s. */
  rates: Float64Array;
}

/** Moments at which so many bytes had been moved: between two readings as if it ran evenly. */
function momentsAt({ t, bytes }: Trace, count: number): Float64Array {
  const from = bytes[0]!;
  const size = (bytes.at(-1)! - from) / count;
  const found = new Float64Array(count + 1);
  found[0] = t[0]!;
  let i = 0;
  for (let k = 1; k < count; k++) {
    const wanted = from + k * size;
    while (bytes[i + 1]! < wanted) i++;
    const share = (wanted - bytes[i]!) / (bytes[i + 1]! - bytes[i]!);
    found[k] = t[i]! + share * (t[i + 1]! - t[i]!);
  }
  found[count] = t.at(-1)!;
  return found;
}

/** A trace in bins of equal bytes; a standstill is in the one where it stood. */
export function binned(trace: Trace, count: number): Bins {
  const size = (trace.bytes.at(-1)! - trace.bytes[0]!) / count;
  const edges = momentsAt(trace, count);
  const rates = new Float64Array(count);
  for (let k = 0; k < count; k++) rates[k] = Math.log(size / Math.max(1e-9, edges[k + 1]! - edges[k]!));
  return { size, edges, rates };
}
