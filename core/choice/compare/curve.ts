import { formula } from '../../evidence';
import { run, type Flow } from '../../models';
import { format } from '../../units';

/** Time over bytes of one drive's transfer: straight lines between points, both rising, from (0, 0). */
export type Curve = readonly { bytes: number; seconds: number }[];

/**
 * The curve of a transfer up to its own size; every point is an event of the model, so between two of them it is a
 * straight line. Where a second flow comes after the
 * first (reading back), both times are added size by size.
 */
export function curveOf(flows: readonly Flow[]): Curve {
  const [first, ...others] = run(flows, { record: true, jump: false }).flows;
  const lines = [first!, ...others.filter((_, i) => flows[i + 1]!.after === 0)].map(
    ({ stretches, began }, i) => {
      const last = stretches.at(-1)!;
      const points = [
        ...stretches.map((s) => ({ bytes: s.taken, seconds: s.from - began })),
        { bytes: flows[i]!.bytes, seconds: last.from + last.seconds - began },
      ];
      return points.filter((p, k, all) => k === 0 || p.bytes > all[k - 1]!.bytes);
    },
  );
  if (lines.length === 1) return lines[0]!;
  const edges = [...new Set(lines.flat().map((p) => p.bytes))].sort((a, b) => a - b);
  return edges.map((bytes) => ({
    bytes,
    seconds: lines.reduce((sum, line) => sum + secondsAt(line, bytes), 0),
  }));
}

/** s to move so many bytes; beyond the curve's end its last line goes on. */
export function secondsAt(curve: Curve, bytes: number): number {
  let i = curve.findIndex((p) => p.bytes >= bytes);
  if (i < 0) i = curve.length - 1;
  const [a, b] = [curve[Math.max(0, i - 1)]!, curve[Math.max(1, i)]!];
  return a.seconds + ((b.seconds - a.seconds) * (bytes - a.bytes)) / (b.bytes - a.bytes);
}

/** Who is ahead from this size on: 0 or 1, or null while both take the same. */
export interface Lead {
  from: number;
  ahead: 0 | 1 | null;
}

/** Times that differ by less than this share are the same. */
const SAME = 1e-9;

/** Every crossing of two curves, exactly: who leads, and from which size on. */
export function leads(a: Curve, b: Curve): Lead[] {
  const edges = [...new Set([...a, ...b].map((p) => p.bytes))].sort((x, y) => x - y);
  const end = Math.min(a.at(-1)!.bytes, b.at(-1)!.bytes);
  const found: Lead[] = [];
  const say = (from: number, ahead: Lead['ahead']) => {
    if (found.at(-1)?.ahead !== ahead || found.length === 0) found.push({ from, ahead });
  };
  const gap = (bytes: number) => {
    const [x, y] = [secondsAt(a, bytes), secondsAt(b, bytes)];
    return Math.abs(x - y) <= SAME * Math.max(x, y) ? 0 : x - y;
  };
  const who = (d: number): Lead['ahead'] => (d < 0 ? 0 : d > 0 ? 1 : null);
  for (let i = 1; i < edges.length && edges[i - 1]! < end; i++) {
    const [from, to] = [edges[i - 1]!, Math.min(edges[i]!, end)];
    const [d0, d1] = [gap(from), gap(to)];
    if (d0 === 0 || d1 === 0 || Math.sign(d0) === Math.sign(d1)) {
      say(from, who(d0 === 0 ? d1 : d0));
      continue;
    }
    say(from, who(d0));
    say(from + ((to - from) * d0) / (d0 - d1), who(d1));
  }
  return found;
}

/** The leads in words: "up to 140 GB in one go A is ahead, then B". */
export function inWords(list: readonly Lead[], names: readonly [string, string]): string {
  const doing = ({ ahead }: Lead) => (ahead === null ? 'both take the same' : `${names[ahead]} is ahead`);
  if (list.length === 0) return 'Nothing to compare.';
  if (list.length === 1) return `${doing(list[0]!)} whatever the size.`.replace(/^./, (c) => c.toUpperCase());
  const told = list.map((lead, i) => {
    const upTo = list[i + 1] ? format(list[i + 1]!.from, 'B') : '';
    if (i === 0) return `Up to ${upTo} in one go ${doing(lead)}`;
    if (upTo) return `then ${doing(lead)} up to ${upTo}`;
    return `then ${lead.ahead === null ? doing(lead) : names[lead.ahead]}`;
  });
  return `${told.join(', ')}.`;
}

/**
 * Cache size from what was moved in all, in what time, and two known rates: bytes = fast · t₁ + slow · t₂ with t₁ + t₂ = time.
 * Below 0 or above the bytes where the rates do not fit the totals.
 */
export const cacheFromTotals = formula({
  name: 'cache',
  unit: 'B',
  inputs: { bytes: 'bytes', seconds: 'time', fast: 'rate in the cache', slow: 'rate past it' },
  of: (m, x) =>
    m.div(m.sub(m.div(x.bytes, x.slow), x.seconds), m.sub(m.div(m.num(1), x.slow), m.div(m.num(1), x.fast))),
});
