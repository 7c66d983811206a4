import { Z95, type Spread } from '../../stats';
import { tracePhasesOf } from '../trace/phases';
import { noiseOf } from '../trace/segment';

/** What a probe may cost at most. */
export interface ProbeBudget {
  /** B written. */
  bytes: number;
  /** s in all, pauses with it. */
  seconds: number;
  /** °C at which it ends, where the drive tells; null: whatever it gets. */
  warmth: number | null;
}

/** What to do next. */
export type ProbeStep = { do: 'write'; bytes: number } | { do: 'rest'; seconds: number } | { do: 'end' };

export type ProbeEnd = 'known' | 'bytes' | 'seconds' | 'warmth';

/** What a probe found. */
export interface ProbeResult {
  /** B of cache; `atLeast` where its end was not seen. */
  cache: { bytes: number; atLeast: boolean };
  /** B/s while it lasted, and behind it; null where its end was not seen. */
  fast: number;
  slow: Spread | null;
  /** B of cache that a second of rest brings back; null where that was not measured. */
  recovers: number | null;
  written: number;
  seconds: number;
  ended: ProbeEnd;
}

/** The level behind the cache is known when its 95 % interval is no wider than this share either way. */
const KNOWN = 0.025;
/** A first look after so many bins, the next after so many more, as a share. */
const FIRST = 40;
const LATER = 1.06;
/** More bins than this are joined in pairs: a large cache wants no small ones. */
const MOST = 1600;
/** Rest between the bursts, s, and bins of the second burst at most as a share of those of the cache. */
const REST = 30;

/**
 * One adaptive run that finds how large a drive's cache is, what it sustains behind it, and how fast it recovers: writes bins of one size until a change is
 * seen twice in the same place and the level behind it is known, rests, writes a second burst until that falls off too. It never writes more than its
 * budget; where that ends first, the cache is "at least" what was written.
 */
export class Probe {
  private t = [0];
  private bytes = [0];
  private every = 1;
  private joined = { bins: 0, bytes: 0, seconds: 0 };
  private written = 0;
  private seconds = 0;
  private look = FIRST;
  private edge: number | null = null;
  private found: { cache: number; fast: number; slow: Spread } | null = null;
  private burst: { rates: number[]; bytes: number } | null = null;
  private regained: number | null = null;
  private ended: ProbeEnd | null = null;

  /** @param bin B of one request to write: small against the cache that is looked for */
  constructor(
    private readonly budget: ProbeBudget,
    private readonly bin: number,
  ) {}

  next(): ProbeStep {
    if (this.ended) return { do: 'end' };
    if (this.found && !this.burst) {
      this.burst = { rates: [], bytes: 0 };
      // Without time to rest nothing is to be learned of a second burst.
      if (this.seconds + REST * 1.2 < this.budget.seconds && this.written + this.bin < this.budget.bytes)
        return { do: 'rest', seconds: REST };
      this.ended = 'known';
      return { do: 'end' };
    }
    if (this.written + this.bin > this.budget.bytes) this.ended = this.found ? 'known' : 'bytes';
    else if (this.seconds + this.longest() > this.budget.seconds)
      this.ended = this.found ? 'known' : 'seconds';
    return this.ended ? { do: 'end' } : { do: 'write', bytes: this.bin };
  }

  /** s that the next bin may take, by those so far. */
  private longest(): number {
    return this.written > 0 ? (2 * this.bin * this.seconds) / this.written : 0;
  }

  /** A bin was written, or a pause is over (0 B). @param warmth °C of the drive, where it tells */
  took(bytes: number, seconds: number, warmth: number | null = null): void {
    this.seconds += seconds;
    this.written += bytes;
    if (warmth !== null && this.budget.warmth !== null && warmth >= this.budget.warmth)
      this.ended ??= 'warmth';
    if (bytes === 0) return;
    if (this.burst) this.again(bytes, seconds);
    else this.first(bytes, seconds);
  }

  private first(bytes: number, seconds: number): void {
    const { joined } = this;
    joined.bins++;
    joined.bytes += bytes;
    joined.seconds += seconds;
    if (joined.bins < this.every) return;
    this.t.push(this.t.at(-1)! + joined.seconds);
    this.bytes.push(this.bytes.at(-1)! + joined.bytes);
    this.joined = { bins: 0, bytes: 0, seconds: 0 };
    if (this.t.length > MOST) {
      this.every *= 2;
      const isKept = (_: number, i: number) => i % 2 === 0;
      [this.t, this.bytes] = [this.t.filter(isKept), this.bytes.filter(isKept)];
      this.look = Math.ceil(this.look / 2);
    }
    if (this.t.length >= this.look) this.decide();
  }

  private decide(): void {
    this.look = Math.max(this.t.length + 2, Math.ceil(this.t.length * LATER));
    const trace = { t: Float64Array.from(this.t), bytes: Float64Array.from(this.bytes) };
    const { cache, fast, slow } = tracePhasesOf(trace, { media: 'flash', ceiling: null });
    if (!cache || cache.atLeast || slow === null) {
      this.edge = null;
      return;
    }
    const before = this.edge;
    this.edge = cache.bytes;
    const level = this.levelFrom(cache.bytes);
    // A lull looks like the end of a cache until it is over: the same edge must be seen again with twice as much behind it.
    const isSame = before !== null && Math.abs(cache.bytes / before - 1) < 0.02;
    if (isSame && level && level.high / level.expected - 1 <= KNOWN)
      this.found = { cache: cache.bytes, fast, slow: level };
  }

  /** Rate from so many B on, with its 95 % interval by how it scatters and how much of that stays; null where too little is there. */
  private levelFrom(from: number): Spread | null {
    const start = this.bytes.findIndex((b) => b >= from);
    const n = this.t.length - 1 - start;
    if (n < 16) return null;
    const logs = Float64Array.from({ length: n }, (_, i) =>
      Math.log(
        (this.bytes[start + i + 1]! - this.bytes[start + i]!) / (this.t[start + i + 1]! - this.t[start + i]!),
      ),
    );
    const { variance, stays } = noiseOf(logs);
    const rate = (this.bytes.at(-1)! - this.bytes[start]!) / (this.t.at(-1)! - this.t[start]!);
    const half = Z95 * Math.sqrt((variance * ((1 + stays) / (1 - stays))) / n);
    return { low: rate * Math.exp(-half), expected: rate, high: rate * Math.exp(half) };
  }

  /** The second burst: over when it has fallen off to what is sustained, or clearly has more than it had. */
  private again(bytes: number, seconds: number): void {
    const { rates } = this.burst!;
    const { cache, fast, slow } = this.found!;
    this.burst!.bytes += bytes;
    rates.push(bytes / seconds);
    // Each bin votes for the level it is nearer to; three in a row end it.
    const border = Math.sqrt(fast * slow.expected);
    const fallen = rates.slice(-3).every((r) => r < border) && rates.length >= 3;
    if (!fallen && this.burst!.bytes < cache) return;
    const fastBytes = rates.filter((r) => r >= border).length * this.bin;
    this.regained = fastBytes / REST;
    this.ended = 'known';
  }

  /** What the whole of it shows, where the budget ended before it was seen often enough. */
  private lastly(): { cache: number; fast: number; slow: Spread } | null {
    if (this.t.length < FIRST) return null;
    const trace = { t: Float64Array.from(this.t), bytes: Float64Array.from(this.bytes) };
    const { cache, fast, slow } = tracePhasesOf(trace, { media: 'flash', ceiling: null });
    const level = cache && !cache.atLeast && slow !== null ? this.levelFrom(cache.bytes) : null;
    return level && { cache: cache!.bytes, fast, slow: level };
  }

  result(): ProbeResult {
    const { written, seconds, regained } = this;
    const found = this.found ?? this.lastly();
    const before = this.bytes.at(-1)!;
    return {
      cache: found ? { bytes: found.cache, atLeast: false } : { bytes: before, atLeast: true },
      fast: found ? found.fast : before / Math.max(1e-9, this.t.at(-1)!),
      slow: found?.slow ?? null,
      recovers: regained,
      written,
      seconds,
      ended: this.ended ?? 'known',
    };
  }
}
