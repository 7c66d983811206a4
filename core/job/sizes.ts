import { numeral } from '../units';
import type { Fact } from '../evidence';
import { normalQuantile } from '../stats';
import type { Move } from './kinds/activity';

/** How many files a move has: counted, or from their sizes and the bytes in one go. */
export function filesOf({ files, sizes, bytes }: Move): Fact {
  if (files.value !== null || !sizes || sizes.length === 0) return files;
  const count = sizes.reduce((sum, s) => sum + s.count, 0);
  const mean = sizes.reduce((sum, s) => sum + s.count * s.bytes, 0) / count;
  const source = { kind: 'entered', note: `sizes of ${numeral(count)} files` } as const;
  const at = (b: number) => Math.max(1, Math.round(mean > 0 ? b / mean : count));
  if (bytes.value === null) return { value: count, source };
  return {
    value: Array.isArray(bytes.value)
      ? [at(bytes.value[0]), at(bytes.value[1]), at(bytes.value[2])]
      : at(bytes.value),
    source,
  };
}

/**
 * File sizes that scatter log-normally around a median: one in six lies beyond `spread` times it on either side. The
 * mean is median · e^(σ²/2), σ = ln spread.
 */
export function logNormalSizes(
  median: number,
  spread: number,
  count: number,
): { bytes: number; count: number }[] {
  const sigma = Math.log(Math.max(1, spread));
  // Mid-points of 16 equal shares of the distribution keep its mean within a few per cent; the last is set so that the mean is exact.
  const n = Math.min(16, count);
  const sizes = Array.from({ length: n }, (_, i) => median * Math.exp(sigma * normalQuantile((i + 0.5) / n)));
  const mean = median * Math.exp((sigma * sigma) / 2);
  const off = mean * n - sizes.reduce((a, b) => a + b, 0);
  sizes[n - 1] = Math.max(sizes[n - 1]!, sizes[n - 1]! + off);
  return sizes
    .map((bytes, i) => ({ bytes: Math.round(bytes), count: Math.floor(count / n) + (i < count % n ? 1 : 0) }))
    .filter((s) => s.count > 0);
}

/** What several shares of a copy come to; not known where one of them is not. */
export function totalOf(shares: readonly { bytes: Fact }[]): Fact {
  const points = (value: NonNullable<Fact['value']>) =>
    Array.isArray(value) ? value : [value, value, value];
  const values = shares.map(({ bytes }) => bytes.value);
  if (!values.every((value) => value !== null)) return { value: null, source: { kind: 'unknown' } };
  const sum = (i: number) => values.reduce((total: number, value) => total + points(value)[i]!, 0);
  const isExact = values.every((value) => !Array.isArray(value));
  return {
    value: isExact ? sum(1) : [sum(0), sum(1), sum(2)],
    source: { kind: 'entered', note: `sum of ${shares.length} shares` },
  };
}
