import type { Sample } from '../../job';
import type { Counters } from './counters';

/** Counters at a moment, s by a clock that is never set. */
export interface Reading extends Counters {
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
export interface Watched {
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

/** How a watch stands: nothing yet; work going on; all moved, but memory holds some of it; over. */
export type WatchState = 'waiting' | 'moving' | 'flushing' | 'over';

/** Slower than this is what a system does anyhow, B/s. */
const QUIET = 200e3;
/** A lull is slower than this share of the work so far. */
const LULL = 0.005;
/** s in which the least must come together. */
const WINDOW = 1;
const MOST_SAMPLES = 1500;

/** What came between two readings. */
interface Step {
  from: Reading;
  to: Reading;
  /** B moved by the device; B handed to it or to memory. */
  moved: number;
  given: number;
}

const step = (from: Reading, to: Reading): Step => {
  const moved = to.read - from.read + (to.written - from.written);
  const held = to.pending === null || from.pending === null ? 0 : to.pending - from.pending;
  return { from, to, moved, given: Math.max(0, moved + held) };
};
const lasts = ({ from, to }: Step): number => to.t - from.t;
const isLoud = (s: Step, floor: number): boolean => Math.max(s.moved, s.given) > floor * lasts(s);

/** Where within a step work began or ended, s from that end of it: as if it had run at the neighbour's rate. */
function partOf(s: Step, neighbour: Step | undefined, of: 'moved' | 'given'): number {
  const rate = neighbour && lasts(neighbour) > 0 ? neighbour[of] / lasts(neighbour) : 0;
  return rate > 0 ? Math.min(lasts(s), s[of] / rate) : lasts(s);
}

/**
 * Finds one piece of work in the readings of a device: begun with its first bytes, over when the counters have been still and memory has handed over what
 * it held. Whatever program does the work: nobody presses anything.
 */
export class Watcher {
  private last: Reading | null = null;
  private recent: Step[] = [];
  private base: Reading | null = null;
  private began = 0;
  private pendingBefore: number | null = null;
  /** The last step in which something moved, and the one before it; of what was handed over the same. */
  private loud: { at: Step; before: Step | undefined } | null = null;
  private bar: { at: Step; before: Step | undefined } | null = null;
  private previous: Step | undefined;
  private samples: Watched['samples'] = { read: [], write: [] };
  state: WatchState = 'waiting';

  constructor(private readonly rules: WatchRules = WATCH) {}

  /** Takes the next reading. A counter that falls back (a device plugged in anew) begins the watch anew. */
  feed(reading: Reading): WatchState {
    const before = this.last;
    this.last = reading;
    if (!before || this.state === 'over') return this.state;
    const now = step(before, reading);
    if (reading.read < before.read || reading.written < before.written) this.forget();
    else if (this.base) this.go(now);
    else this.wait(now);
    this.previous = now;
    return this.state;
  }

  private forget(): void {
    [this.base, this.recent, this.loud, this.bar] = [null, [], null, null];
    this.samples = { read: [], write: [] };
    this.state = 'waiting';
  }

  private wait(now: Step): void {
    if (!isLoud(now, QUIET)) {
      this.recent = [];
      return;
    }
    const since = now.to.t - WINDOW;
    this.recent = [...this.recent.filter(({ to }) => to.t > since), now];
    const sum = this.recent.reduce((all, s) => all + Math.max(s.moved, s.given), 0);
    if (sum < this.rules.least) return;
    const [first, second] = this.recent;
    this.base = first!.from;
    this.pendingBefore = first!.from.pending;
    const of = first!.given > first!.moved ? 'given' : 'moved';
    this.began = first!.to.t - partOf(first!, second, of);
    this.state = 'moving';
    const steps = this.recent;
    this.recent = [];
    steps.forEach((s, i) => {
      this.previous = steps[i - 1];
      this.go(s);
    });
  }

  private go(now: Step): void {
    const base = this.base!;
    const passed = now.to.t - this.began;
    const all = now.to.read - base.read + (now.to.written - base.written);
    const floor = Math.max(QUIET, (LULL * all) / Math.max(passed, 0.1));
    if (isLoud({ ...now, given: 0 }, floor)) this.loud = { at: now, before: this.previous };
    if (now.given > floor * lasts(now)) this.bar = { at: now, before: this.previous };
    this.sample(now.to, passed);
    const quietFor = now.to.t - Math.max(this.loud?.at.to.t ?? 0, this.bar?.at.to.t ?? 0);
    const isHeld = now.to.pending !== null && now.to.pending > (this.pendingBefore ?? 0) + this.rules.least;
    this.state = quietFor < this.rules.still ? 'moving' : isHeld ? 'flushing' : 'over';
  }

  private sample({ read, written }: Reading, t: number): void {
    if (t <= 0) return;
    const base = this.base!;
    const add = (direction: 'read' | 'write', bytes: number) => {
      const list = this.samples[direction];
      list.push({ t, bytes });
      if (list.length > MOST_SAMPLES) this.samples[direction] = list.filter((_, i) => i % 2 === 1);
    };
    add('read', read - base.read);
    add('write', written - base.written);
  }

  /** How far the work has come: s since its first bytes and B moved; null before them. */
  get progress(): { t: number; read: number; written: number; pending: number | null } | null {
    const { base, last } = this;
    return (
      base &&
      last && {
        t: Math.max(0, last.t - this.began),
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
    const { base, last, loud, bar } = this;
    if (!base || !last) return null;
    const lastly = loud ?? bar;
    const end = lastly ? lastly.at.from.t + partOf(lastly.at, lastly.before, 'moved') : last.t;
    const seconds = Math.max(1e-3, (until ?? end) - this.began);
    const at = loud?.at.to ?? last;
    const [read, written] = [at.read - base.read, at.written - base.written];
    // The last reading may have been thinned out: the end is what was counted.
    const bounded = (list: Sample[], bytes: number) => [
      { t: 0, bytes: 0 },
      ...list.filter((sample) => sample.t < seconds),
      { t: seconds, bytes },
    ];
    return {
      began: this.began,
      seconds,
      bar:
        bar && bar.at.from.pending !== null
          ? bar.at.from.t + partOf(bar.at, bar.before, 'given') - this.began
          : null,
      read,
      written,
      reads: at.reads - base.reads,
      writes: at.writes - base.writes,
      busy: at.busy === null || base.busy === null ? null : at.busy - base.busy,
      samples: { read: bounded(this.samples.read, read), write: bounded(this.samples.write, written) },
    };
  }
}
