import { binned, type Trace } from './bins';
import { despiked, noiseOf, pricesOf, segment, type TracePiece } from './segment';

/** What a phase of a copy is. */
export type PhaseKind = 'memory' | 'cache' | 'sustained' | 'throttled' | 'inner tracks' | 'steady';

/** A stretch of a trace in which it ran alike. */
export interface TracePhase {
  kind: PhaseKind;
  /** B and s from the trace's beginning. */
  fromBytes: number;
  toBytes: number;
  from: number;
  to: number;
  /** Average, and the rates at its ends, B/s. */
  rate: number;
  first: number;
  last: number;
  /** °C in the middle, where it was noted. */
  warmth: number | null;
}

/** A standstill. */
export interface Stall {
  at: number;
  bytes: number;
  seconds: number;
}

export interface Phases {
  phases: TracePhase[];
  stalls: Stall[];
  /** B of cache, where its end is seen; B that were moved without one, else. */
  cache: { bytes: number; atLeast: boolean } | null;
  /** B/s while a cache lasted and after it; one rate without. */
  fast: number;
  slow: number | null;
  /** Rate on the inner tracks over that on the outer ones, where it fell steadily. */
  zoneRatio: number | null;
}

/** What is known beforehand. */
export interface TraceHints {
  media: 'flash' | 'disk' | null;
  /** B/s no drive behind this path can be faster than: what is faster came out of memory. */
  ceiling: number | null;
}

const BINS = 1000;
/** Levels that differ by less than this share are one. */
const ALIKE = 0.08;
/** Bins of a piece that may be nothing but an edge. */
const SHORT = 6;
/** A step down by this share ends a cache. */
const STEP = 0.12;
/** A slope that takes away this share over a piece is one to name. */
const FALLS = 0.08;
/** Slower than this share of the whole is a standstill, and so many s of it are worth telling. */
const STANDS = 0.03;
const STALL = 0.5;
/** °C within which a drive is as hot as it gets [memory]. */
const HOTTEST = 3;
export const HOT = 60;

/** Pieces whose levels hardly differ, as one. */
function joined(pieces: readonly TracePiece[]): TracePiece[] {
  const found: TracePiece[] = [];
  for (const piece of pieces) {
    const last = found.at(-1);
    const isLevel = (p: TracePiece) => Math.abs(p.slope) * (p.to - p.from) < FALLS;
    if (last && isLevel(last) && isLevel(piece) && Math.abs(last.level - piece.level) < ALIKE) {
      const [a, b] = [last.to - last.from, piece.to - piece.from];
      Object.assign(last, { to: piece.to, level: (last.level * a + piece.level * b) / (a + b), slope: 0 });
    } else found.push({ ...piece });
  }
  return found;
}

/** Between two levels a reading may lie that is of both: a short piece in between is their edge. */
function withoutEdges(pieces: readonly TracePiece[]): TracePiece[] {
  const found = pieces.map((piece) => ({ ...piece }));
  for (let i = 1; i < found.length - 1; i++) {
    const [before, piece, next] = [found[i - 1]!, found[i]!, found[i + 1]!];
    const isBetween = (piece.level - before.level) * (next.level - piece.level) > 0;
    if (piece.to - piece.from > SHORT || !isBetween) continue;
    const middle = (piece.from + piece.to) >> 1;
    [before.to, next.from] = [middle, middle];
    found.splice(i--, 1);
  }
  return found;
}

/** Where in the raw readings one rate gives way to another: the place that makes both sides likeliest. */
function refined({ t, bytes }: Trace, lo: number, hi: number, before: number, after: number): number {
  let from = lowerBound(bytes, lo);
  const until = lowerBound(bytes, hi);
  from = Math.max(1, from);
  let [best, sum, at] = [-Infinity, 0, (lo + hi) / 2];
  for (let i = from; i <= until && i < bytes.length; i++) {
    const moved = bytes[i]! - bytes[i - 1]!;
    const took = t[i]! - t[i - 1]!;
    if (moved <= 0 || took <= 0) continue;
    const x = Math.log(moved / took);
    const off = (level: number) => Math.min(1, (x - level) ** 2);
    sum += moved * (off(after) - off(before));
    if (sum > best) [best, at] = [sum, bytes[i]!];
  }
  return at;
}

/** Place of the first value that is not below. */
function lowerBound(sorted: Float64Array, value: number): number {
  let [lo, hi] = [0, sorted.length];
  while (lo < hi) {
    const middle = (lo + hi) >> 1;
    if (sorted[middle]! < value) lo = middle + 1;
    else hi = middle;
  }
  return lo;
}

function secondsAt({ t, bytes }: Trace, at: number): number {
  const i = lowerBound(bytes, at);
  if (i === 0) return t[0]!;
  if (i >= bytes.length) return t.at(-1)!;
  const share = (at - bytes[i - 1]!) / Math.max(1e-9, bytes[i]! - bytes[i - 1]!);
  return t[i - 1]! + share * (t[i]! - t[i - 1]!);
}

/** Standstills: so slow for so long that nobody would call it running. */
export function stallsOf({ t, bytes }: Trace): Stall[] {
  const slow = STANDS * ((bytes.at(-1)! - bytes[0]!) / Math.max(1e-9, t.at(-1)! - t[0]!));
  const found: Stall[] = [];
  let began = -1;
  for (let i = 1; i <= t.length; i++) {
    const isSlow = i < t.length && bytes[i]! - bytes[i - 1]! < slow * (t[i]! - t[i - 1]!);
    if (isSlow && began < 0) began = i - 1;
    if (isSlow || began < 0) continue;
    const seconds = t[i - 1]! - t[began]!;
    if (seconds >= STALL) found.push({ at: t[began]! - t[0]!, bytes: bytes[began]! - bytes[0]!, seconds });
    began = -1;
  }
  return found;
}

function warmthIn({ t, warmth }: Trace, from: number, to: number): number | null {
  if (!warmth) return null;
  const [a, b] = [lowerBound(t, from), lowerBound(t, to)];
  const values = [...warmth.subarray(a, Math.max(a + 1, b))]
    .filter((v) => !Number.isNaN(v))
    .sort((x, y) => x - y);
  return values.length > 0 ? values[values.length >> 1]! : null;
}

/** What each phase is, from how they follow each other, what is known of the drive and how hot it was. */
function named(list: readonly Omit<TracePhase, 'kind'>[], { media, ceiling }: TraceHints): TracePhase[] {
  const hottest = Math.max(...list.map((p) => p.warmth ?? -Infinity));
  let cached = false;
  let dropped = false;
  let last: TracePhase | undefined;
  return list.map((phase, i): TracePhase => {
    const next = list[i + 1];
    const before = last?.kind === 'memory' ? undefined : last;
    const isDown = before !== undefined && phase.first < before.last * (1 - STEP);
    const kind = ((): PhaseKind => {
      if (i === 0 && ceiling !== null && phase.rate > ceiling && next && next.rate < phase.rate)
        return 'memory';
      const isFalling = phase.last < phase.first * (1 - FALLS);
      if (media !== 'flash' && isFalling && list.length <= 2) return 'inner tracks';
      const isHot = phase.warmth !== null && phase.warmth >= HOT && phase.warmth >= hottest - HOTTEST;
      if ((isDown || dropped) && isHot && (before?.warmth ?? Infinity) < phase.warmth!) return 'throttled';
      if (!dropped && next && next.first < phase.last * (1 - STEP) && media !== 'disk') {
        cached = true;
        return 'cache';
      }
      return cached ? 'sustained' : 'steady';
    })();
    if (isDown) dropped = true;
    last = { ...phase, kind };
    return last;
  });
}

/**
 * A trace cut into the phases it ran in: where the cache ended, what is sustained, where heat took over, how much slower the inner tracks are. Found in a
 * thousand pieces of equal bytes, its edges then on the readings themselves.
 * @throws RangeError for a trace with too few readings, or in which nothing moved
 */
export function tracePhasesOf(trace: Trace, hints: TraceHints = { media: null, ceiling: null }): Phases {
  const { t, bytes } = trace;
  const [origin, start] = [bytes[0]!, t[0]!];
  const moved = bytes.at(-1)! - origin;
  if (t.length < 12 || !(moved > 0))
    throw new RangeError('A trace needs a dozen readings, between which something was moved.');
  const count = Math.min(BINS, Math.max(8, t.length >> 2));
  const { size, rates } = binned(trace, count);
  const clean = despiked(rates);
  const pieces = joined(withoutEdges(segment(clean, pricesOf(clean, noiseOf(clean)))));
  const edges = pieces.slice(1).map((piece, i) => {
    const before = pieces[i]!;
    const end = before.level + (before.slope * (before.to - before.from)) / 2;
    const first = piece.level - (piece.slope * (piece.to - piece.from)) / 2;
    const at = origin + piece.from * size;
    return refined(trace, at - SHORT * size, at + SHORT * size, end, first);
  });
  const bounds = [origin, ...edges, bytes.at(-1)!];
  const stalls = stallsOf(trace);
  const list = pieces.map((piece, i) => {
    const [fromBytes, toBytes] = [bounds[i]!, bounds[i + 1]!];
    const [from, to] = [secondsAt(trace, fromBytes), secondsAt(trace, toBytes)];
    const half = (piece.slope * (piece.to - piece.from)) / 2;
    const stood = stalls
      .filter(({ at }) => at >= from - start && at < to - start)
      .reduce((sum, { seconds }) => sum + seconds, 0);
    const rate = (toBytes - fromBytes) / Math.max(1e-9, to - from - stood);
    return {
      fromBytes: fromBytes - origin,
      toBytes: toBytes - origin,
      from: from - start,
      to: to - start,
      rate,
      first: piece.slope === 0 ? rate : Math.exp(piece.level - half),
      last: piece.slope === 0 ? rate : Math.exp(piece.level + half),
      warmth: warmthIn(trace, from, to),
    };
  });
  const phases = named(list, hints);
  const cachedTo = phases.findLast((p) => p.kind === 'cache');
  const fast = cachedTo ?? phases[0]!;
  const behind = phases.filter((p) => p.kind === 'sustained');
  const total = behind.reduce((sum, p) => sum + p.toBytes - p.fromBytes, 0);
  const tracks = phases.filter((p) => p.kind === 'inner tracks');
  return {
    phases,
    stalls,
    cache: cachedTo
      ? { bytes: cachedTo.toBytes, atLeast: false }
      : hints.media === 'disk' || tracks.length > 0
        ? null
        : { bytes: moved, atLeast: true },
    fast: fast.rate,
    slow: total > 0 ? total / behind.reduce((sum, p) => sum + (p.toBytes - p.fromBytes) / p.rate, 0) : null,
    zoneRatio: tracks.length > 0 ? tracks.at(-1)!.last / tracks[0]!.first : null,
  };
}
