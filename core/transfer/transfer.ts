import { formula } from '../evidence';

/** The numbers of one sequential transfer, in B, B/s and s. */
export interface TransferNumbers {
  bytes: number;
  files: number;
  /** What the other end delivers or takes. */
  other: number;
  /** What the links between carry. */
  carries: number;
  /** What the drive does while its cache lasts (writing), or always (reading). */
  fast: number;
  /** What it does once the cache is used up; the same as `fast` when reading. */
  rest: number;
  /** Bytes the cache takes; without end when reading. */
  cache: number;
  /** Cost of each file beside its bytes. */
  perFile: number;
}

/**
 * Time of a sequential transfer with a cache that runs out, exactly: first part at the cached rate, the remainder at the rest
 * rate (never above the cached one), each held to what the other end and the links allow, and a cost for every file.
 */
export const transferTime = formula<keyof TransferNumbers>({
  name: 'time',
  unit: 's',
  inputs: { bytes: 'bytes', files: 'files', other: 'other end', carries: 'links', fast: 'drive in cache', rest: 'drive after cache', cache: 'cache', perFile: 'cost of a file' },
  of: (m, x) => {
    const first = m.div(m.min(x.bytes, x.cache), m.min(x.other, x.carries, x.fast));
    const remainder = m.div(m.max(m.sub(x.bytes, x.cache), m.num(0)), m.min(x.other, x.carries, x.fast, x.rest));
    return m.add(m.add(first, remainder), m.mul(x.files, x.perFile));
  },
});

/** The same for a drive without a cache in play: reading. */
export const steadyTime = formula<'bytes' | 'files' | 'other' | 'carries' | 'fast' | 'perFile'>({
  name: 'time',
  unit: 's',
  inputs: { bytes: 'bytes', files: 'files', other: 'other end', carries: 'links', fast: 'drive', perFile: 'cost of a file' },
  of: (m, x) => m.add(m.div(x.bytes, m.min(x.other, x.carries, x.fast)), m.mul(x.files, x.perFile)),
});

export type Limit = 'links' | 'other' | 'cache' | 'rest' | 'drive';

/** A stretch of a transfer at one rate. */
export interface Phase {
  name: string;
  /** What decides the rate of bytes here. */
  limit: Limit;
  from: { bytes: number; time: number };
  to: { bytes: number; time: number };
  /** B/s over the stretch, files' cost included. */
  rate: number;
}

const NAMES: Record<Limit, string> = { links: 'held by the links', other: 'held by the other end', cache: 'in the cache', rest: 'cache used up', drive: 'held by the drive' };

/** The stretches of a transfer in order; the files' cost is spread evenly over the bytes. Times agree with {@link transferTime}. */
export function phases(x: TransferNumbers): Phase[] {
  const found: Phase[] = [];
  const overhead = x.bytes > 0 ? (x.files * x.perFile) / x.bytes : 0;
  const push = (upTo: number, own: number, limitOfOwn: Limit) => {
    const last = found.at(-1);
    const from = last ? last.to : { bytes: 0, time: 0 };
    if (upTo <= from.bytes) return;
    const bare = Math.min(x.other, x.carries, own);
    const limit: Limit = bare === own ? limitOfOwn : bare === x.carries ? 'links' : 'other';
    const perByte = 1 / bare + overhead;
    const to = { bytes: upTo, time: from.time + (upTo - from.bytes) * perByte };
    if (last && last.limit === limit && Math.abs(last.rate * perByte - 1) < 1e-12) last.to = to;
    else found.push({ name: NAMES[limit], limit, from, to, rate: 1 / perByte });
  };
  const whole = !Number.isFinite(x.cache);
  push(Math.min(x.bytes, x.cache), x.fast, whole ? 'drive' : 'cache');
  push(x.bytes, Math.min(x.fast, x.rest), whole ? 'drive' : 'rest');
  return found;
}

/** B/s when so many bytes have been moved. */
export function rateAt(stretches: readonly Phase[], bytes: number): number {
  return (stretches.find((p) => bytes < p.to.bytes) ?? stretches.at(-1))?.rate ?? 0;
}
