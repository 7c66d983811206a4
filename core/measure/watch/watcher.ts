import type { Sample } from '../../job';
import type { DeviceCounters } from './counters';

/** Counters at a moment, s by a clock that is never set. */
export interface CounterReading extends DeviceCounters {
  t: number;
  /** B that memory still holds for the drives; null where nobody says. */
  pending: number | null;
}

/** When work counts as begun and as over. */
export interface WatchRules {
  /** B within a second that are no mere noise of a system. */
  least: number;
  /** s without any that end it. */
  still: number;
}

export const WATCH: WatchRules = { least: 1e6, still: 3 };

/** Work that was watched from its first bytes to its last. */
export interface WatchedPiece {
  /** s by the readings' clock. */
  began: number;
  seconds: number;
  /** s until all was handed over, where memory took some of it first: what a progress bar shows; null where nothing tells. */
  bar: number | null;
  read: number;
  written: number;
  reads: number;
  writes: number;
  /** s the device had something to do. */
  busy: number | null;
  samples: Record<'read' | 'write', Sample[]>;
}

/** What was watched, and what others did meanwhile. */
export interface Watched extends WatchedPiece {
  /** B/s that others moved before and after it; null where that is no more than a system's hum. */
  others: number | null;
  /** Where next to nothing moved for long before or after the work's own level: all of it, if that belonged to it. Only a person can tell. */
  whole: WatchedPiece | null;
}

/** How a watch stands: nothing yet; work going on; all moved, but memory holds some of it; over. */
export type WatchState = 'waiting' | 'moving' | 'flushing' | 'over';

/** Slower than this is what a system does anyhow, B/s. */
const QUIET = 200e3;
/** What moves at less than this share of the work's own level is others' or a lull. Flash behind its cache stays above. */
const LULL = 0.01;
/** Others that were at work before go on: so many times their rate is no work. */
const OTHERS = 2;
/** s in which the least must come together, and over which a rate is taken: one write a second of a system's log is no work. */
const WINDOW = 1;
/** s before the work in which others are heard. */
const HEARD = 10;
/** s that a system holds at most before it hands over [Linux kernel documentation, sysctl vm: expiry of 30 s, looked at every 5]. */
const HELD = 40;
/** What memory took before the device's first bytes is the work's from this share of it on; less is what a system holds anyhow. */
const OWN = 0.05;
/** An edge is in doubt below this share of the work's level, where it lasts so many s and such a share of all, and moves less than the last share of it. */
const DOUBT = { level: 0.1, seconds: 1, lasts: 0.1, bytes: 0.05 };
const MOST_SAMPLES = 1500;
/** Steps kept whole at either end of a long watch; between them they are joined by twos when there are too many. */
const EDGE = 1000;
const MOST_STEPS = 20_000;

/** What came between two readings. */
interface Step {
  from: CounterReading;
  to: CounterReading;
  /** B moved by the device; B handed to it or to memory. */
  moved: number;
  given: number;
}

const step = (from: CounterReading, to: CounterReading): Step => {
  const moved = to.read - from.read + (to.written - from.written);
  const held = to.pending === null || from.pending === null ? 0 : to.pending - from.pending;
  return { from, to, moved, given: Math.max(0, moved + held) };
};
const lasts = ({ from, to }: Step): number => to.t - from.t;
const moved = (s: Step): number => s.moved;
const most = (s: Step): number => Math.max(s.moved, s.given);
const isLoud = (s: Step, bytes: number, floor: number): boolean => bytes > floor * lasts(s);
const sumOf = (steps: readonly Step[], of: (s: Step) => number): number =>
  steps.reduce((sum, s) => sum + of(s), 0);

/** B/s over the steps that end, or begin, within a window of a moment. */
function rateAround(steps: readonly Step[], at: number, of: (s: Step) => number, way: 1 | -1): number {
  let [bytes, time] = [0, 0];
  for (let i = at; i >= 0 && i < steps.length && time < WINDOW; i += way) {
    bytes += of(steps[i]!);
    time += lasts(steps[i]!);
  }
  return bytes / Math.max(time, WINDOW);
}

/** Whether a step is work: loud itself, and not a lone burst in a quiet second. */
const isWork = (steps: readonly Step[], at: number, of: (s: Step) => number, floor: number): boolean =>
  isLoud(steps[at]!, of(steps[at]!), floor) &&
  (rateAround(steps, at, of, -1) > floor || rateAround(steps, at, of, 1) > floor);

/** Where within a step work began or ended, s from that end of it: as if it had run at the neighbour's rate. */
function partOf(s: Step, neighbour: Step | undefined, of: 'moved' | 'given'): number {
  const rate = neighbour && lasts(neighbour) > 0 ? neighbour[of] / lasts(neighbour) : 0;
  return rate > 0 ? Math.min(lasts(s), s[of] / rate) : lasts(s);
}

/** B that memory holds or the device has moved; null where nobody says what memory holds. */
const handed = ({ pending, read, written }: CounterReading): number | null =>
  pending === null ? null : pending + read + written;

/** B that memory took from the first of the steps on and still holds, or the device has moved, at the end of the last. */
function heldOver(steps: readonly Step[]): number {
  const [first, last] = [steps[0], steps.at(-1)];
  const [before, after] = [first && handed(first.from), last && handed(last.to)];
  return before == null || after == null ? 0 : after - before;
}

/**
 * The first of the steps before `end` at which memory took what it still holds or the device has moved at their end. What memory let go of beside went
 * elsewhere. `end` where it took nothing.
 */
function heldFrom(
  steps: readonly Step[],
  end: number,
  { least, floor }: { least: number; floor: number },
): number {
  let [lowest, found] = [Infinity, end];
  for (let i = steps.length - 1; i >= 0; i--) {
    const [before, after] = [handed(steps[i]!.from), handed(steps[i]!.to)];
    if (before === null || after === null) break;
    lowest = Math.min(lowest, after);
    if (i < end && isLoud(steps[i]!, steps[i]!.given, floor) && lowest >= before + least) found = i;
  }
  return found;
}

/** Joins by twos what lies between the edges of a long watch. */
function thinned(steps: readonly Step[]): Step[] {
  const [head, middle, tail] = [steps.slice(0, EDGE), steps.slice(EDGE, -EDGE), steps.slice(-EDGE)];
  const joined = middle.flatMap((s, i) => {
    if (i % 2 === 1) return [];
    const next = middle[i + 1] ?? s;
    return [
      {
        from: s.from,
        to: next.to,
        moved: s.moved + (next === s ? 0 : next.moved),
        given: s.given + (next === s ? 0 : next.given),
      },
    ];
  });
  return [...head, ...joined, ...tail];
}

/**
 * Finds one piece of work in the readings of a device: begun with its first bytes, over when the counters have been still and memory has handed over what
 * it held; what memory took for another drive neither begins nor extends it. Whatever program does the work: nobody presses anything. Still is what moves
 * next to nothing beside the work's own level, for a system and other programs write a little at all times.
 */
export class Watcher {
  private last: CounterReading | null = null;
  /** Before the work: the last seconds of it, for what others do and what memory took. */
  private before: Step[] = [];
  private recent: Step[] = [];
  /** From the first that may be the work's on. */
  private steps: Step[] = [];
  private base: CounterReading | null = null;
  private pendingBefore: number | null = null;
  private othersBefore = 0;
  /** B moved, and B times the B/s they moved at: their ratio is the level at which most was moved. */
  private weight = { bytes: 0, rates: 0 };
  private lastLoud = 0;
  state: WatchState = 'waiting';

  constructor(private readonly rules: WatchRules = WATCH) {}

  /** Takes the next reading. A counter that falls back (a device plugged in anew) begins the watch anew. */
  feed(reading: CounterReading): WatchState {
    const before = this.last;
    this.last = reading;
    if (!before || this.state === 'over') return this.state;
    const now = step(before, reading);
    if (reading.read < before.read || reading.written < before.written) this.forget();
    else if (this.base) this.go(now);
    else this.wait(now);
    return this.state;
  }

  private forget(): void {
    [this.base, this.recent, this.steps, this.before] = [null, [], [], []];
    this.weight = { bytes: 0, rates: 0 };
    this.state = 'waiting';
  }

  private wait(now: Step): void {
    const floor = Math.max(QUIET, OTHERS * this.heard());
    if (!isLoud(now, now.moved, floor)) {
      this.before = [...this.before, ...this.recent, now].filter(({ to }) => to.t > now.to.t - HELD);
      this.recent = [];
      return;
    }
    const since = now.to.t - WINDOW;
    this.before = [...this.before, ...this.recent.filter(({ to }) => to.t <= since)];
    this.recent = [...this.recent.filter(({ to }) => to.t > since), now];
    if (sumOf(this.recent, moved) < this.rules.least) return;
    // Memory takes what goes to any drive: it is this work's only if the device then writes.
    const all = [...this.before, ...this.recent];
    const at = heldFrom(all, this.before.length, { least: this.rules.least, floor });
    const steps = all.slice(at);
    this.othersBefore = this.heard();
    [this.before, this.recent] = [this.before.slice(0, at), []];
    this.base = steps[0]!.from;
    this.pendingBefore = this.base.pending;
    steps.forEach((s) => this.go(s));
  }

  /** B/s of others so far. */
  private heard(): number {
    const until = this.last?.t ?? 0;
    return rateOf(this.before.filter(({ to }) => to.t > until - HEARD));
  }

  /** B/s below which nothing of the work moves. */
  private get floor(): number {
    const { bytes, rates } = this.weight;
    return Math.max(QUIET, OTHERS * this.othersBefore, bytes > 0 ? (LULL * rates) / bytes : 0);
  }

  private go(now: Step): void {
    this.steps.push(now);
    if (this.steps.length > MOST_STEPS) this.steps = thinned(this.steps);
    this.weight.bytes += now.moved;
    this.weight.rates += lasts(now) > 0 ? now.moved ** 2 / lasts(now) : 0;
    const at = this.steps.length - 1;
    if (isLoud(now, now.moved, this.floor) && rateAround(this.steps, at, moved, -1) > this.floor)
      this.lastLoud = now.to.t;
    const quietFor = now.to.t - Math.max(this.lastLoud, this.base!.t);
    const isHeld =
      quietFor < HELD &&
      now.to.pending !== null &&
      now.to.pending > (this.pendingBefore ?? 0) + this.rules.least;
    this.state = quietFor < this.rules.still ? 'moving' : isHeld ? 'flushing' : 'over';
  }

  /** How far the work has come: s since its first bytes and B moved; null before them. */
  get progress(): { t: number; read: number; written: number; pending: number | null } | null {
    const { base, last, steps } = this;
    const [first, second] = steps;
    return (
      base &&
      last &&
      first! && {
        t: Math.max(0, last.t - beganIn(first, second)),
        read: last.read - base.read,
        written: last.written - base.written,
        pending: last.pending,
      }
    );
  }

  /**
   * What was watched so far; null while nothing began.
   * @param until s by the readings' clock at which somebody said that it is over, e.g. that a program is open; absent: the last bytes
   */
  result(until?: number): Watched | null {
    const { steps, last } = this;
    if (steps.length === 0 || !last) return null;
    const all = this.span(this.floor);
    const level = this.weight.bytes > 0 ? this.weight.rates / this.weight.bytes : 0;
    const own = this.span(Math.max(this.floor, DOUBT.level * level));
    const whole = this.piece(all, until);
    const core = this.piece(own, until);
    // What memory took is as much of the work as what the device then wrote.
    const bytes = ({ from, to }: { from: number; to: number }) => sumOf(steps.slice(from, to + 1), most);
    const isInDoubt =
      whole.seconds - core.seconds > Math.max(DOUBT.seconds, DOUBT.lasts * whole.seconds) &&
      bytes(all) - bytes(own) < DOUBT.bytes * bytes(all);
    const kept = isInDoubt ? own : all;
    const outside = [
      ...this.before,
      ...steps.slice(0, kept.from),
      ...(until === undefined ? steps.slice(kept.to + 1) : []),
    ];
    const others = rateOf(outside);
    return {
      ...(isInDoubt ? core : whole),
      others: others > QUIET / 2 ? others : null,
      whole: isInDoubt ? whole : null,
    };
  }

  /** The first and the last step of work above a rate; the first and the last of all where none is. */
  private span(floor: number): { from: number; to: number; bar: number | null } {
    const { steps } = this;
    const is = (i: number, of: (s: Step) => number) => isWork(steps, i, of, floor);
    const first = Math.max(
      0,
      steps.findIndex((_, i) => is(i, moved)),
    );
    const taken = steps.findIndex((_, i) => is(i, most));
    const last = steps.findLastIndex((_, i) => is(i, moved));
    const to = last >= 0 ? last : steps.length - 1;
    const bar = steps.findLastIndex((_, i) => i <= to && is(i, (s) => s.given));
    const isEarly =
      taken >= 0 && taken < first && heldOver(steps.slice(taken, first + 1)) > OWN * sumOf(steps, moved);
    return { from: isEarly ? taken : first, to, bar: bar >= 0 ? bar : null };
  }

  private piece(
    { from, to, bar }: { from: number; to: number; bar: number | null },
    until?: number,
  ): WatchedPiece {
    const { steps } = this;
    const base = steps[from]!.from;
    const began = beganIn(steps[from]!, steps[from + 1]);
    const end = steps[to]!.from.t + partOf(steps[to]!, steps[to - 1], 'moved');
    const seconds = Math.max(1e-3, (until ?? end) - began);
    const at = steps[to]!.to;
    const [read, written] = [at.read - base.read, at.written - base.written];
    const every = Math.ceil((to - from + 1) / MOST_SAMPLES);
    const course = steps.slice(from, to + 1).filter((_, i) => i % every === 0);
    // The last reading may have been thinned out: the end is what was counted.
    const samples = (of: 'read' | 'written', bytes: number): Sample[] => [
      { t: 0, bytes: 0 },
      ...course
        .map(({ to: r }) => ({ t: r.t - began, bytes: r[of] - base[of] }))
        .filter(({ t }) => t > 0 && t < seconds),
      { t: seconds, bytes },
    ];
    return {
      began,
      seconds,
      bar:
        bar !== null && steps[bar]!.from.pending !== null
          ? steps[bar]!.from.t + partOf(steps[bar]!, steps[bar - 1], 'given') - began
          : null,
      read,
      written,
      reads: at.reads - base.reads,
      writes: at.writes - base.writes,
      busy: at.busy === null || base.busy === null ? null : at.busy - base.busy,
      samples: { read: samples('read', read), write: samples('written', written) },
    };
  }
}

/** When the work began that shows first in a step. */
const beganIn = (first: Step, second: Step | undefined): number =>
  first.to.t - partOf(first, second, first.given > first.moved ? 'given' : 'moved');

/** B/s that moved over some steps. */
function rateOf(steps: readonly Step[]): number {
  const time = sumOf(steps, lasts);
  return time > 0 ? sumOf(steps, (s) => s.moved) / time : 0;
}
