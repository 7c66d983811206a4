import { useSettings, setSetting } from './settings';

/**
 * A stopwatch, bound to the job and activity it times. Moments are ms since 1970: they mean the same after a reload. What was moved
 * stands here too, so that an unkept time is whole.
 */
export interface Stopwatch {
  job: string;
  activity: string;
  start: number;
  stop: number | null;
  /** Laps in s from the start. */
  laps: number[];
  /** What the bar showed at a lap: s from the start, share of all that is moved. Absent: nobody noted one. */
  shown?: ShownShare[];
  /** Correction in s, entered by hand after the stop. */
  correction: number;
  bytes: number | null;
  files: number | null;
  until: 'bar' | 'written';
  /** Page loads its clock has run across: each may be off by what the system's clock was set meanwhile. */
  page: number;
  reloads: number;
  /** ms by which the system's clock was set while that page was open; absent: it was not. A page loaded afterwards counts from that clock. */
  skew?: number;
}

/** How far a bar was at a moment: s from the start, 0 to 1. */
export interface ShownShare {
  t: number;
  share: number;
}

/** What one reload adds to the error of a time, one sigma in s [memory]: a clock that is being set drifts by less. */
export const RELOAD = 0.05;

interface Kept {
  watch: Stopwatch | null;
  /** What was discarded last, so that it can be brought back. */
  discarded: Stopwatch | null;
}
const NONE: Kept = { watch: null, discarded: null };

/** A moment of the page's own clock, e.g. of a key press, as ms since 1970. */
export const momentOf = (timeStamp: number): number => performance.timeOrigin + timeStamp;

const isWatch = (data: unknown): data is Stopwatch =>
  typeof data === 'object' &&
  data !== null &&
  'start' in data &&
  typeof data.start === 'number' &&
  'job' in data &&
  'laps' in data &&
  Array.isArray(data.laps);

function read(data: unknown): Kept {
  if (typeof data !== 'object' || data === null) return NONE;
  const { watch, discarded } = data as Record<string, unknown>;
  return { watch: isWatch(watch) ? watch : null, discarded: isWatch(discarded) ? discarded : null };
}

const now = (): Kept => read(useSettings.getState().watch);
const keep = (kept: Partial<Kept>): void => setSetting('watch', { ...now(), ...kept });

/** The one stopwatch: it goes on while other views are looked at, over a reload, and in every tab. */
export function useWatch(): Kept {
  return read(useSettings((s) => s.watch));
}

/** When it was started, by this page's own clock: what the system's clock was set by under another page is taken off. */
export const startOf = ({ start, page, skew = 0 }: Pick<Stopwatch, 'start' | 'page' | 'skew'>): number =>
  page === performance.timeOrigin ? start : start + skew;

/** Changes the one stopwatch, where there is one. */
export function change(to: (watch: Stopwatch) => Stopwatch): void {
  const { watch } = now();
  if (!watch) return;
  const page = performance.timeOrigin;
  if (watch.page === page) return keep({ watch: to(watch) });
  const { skew: _, ...rest } = watch;
  keep({ watch: to({ ...rest, start: startOf(watch), page, reloads: watch.reloads + 1 }) });
}

/** A clock that was set by less than this is being kept right, ms. */
const SET = 200;

/** Notes by how much the system's clock was set while this page was open: its own goes on as if nothing had been. */
export function noteSkew(): void {
  const { watch } = now();
  if (!watch || watch.stop !== null || watch.page !== performance.timeOrigin) return;
  const skew = Date.now() - momentOf(performance.now());
  if (Math.abs(skew - (watch.skew ?? 0)) > SET) keep({ watch: { ...watch, skew } });
}

type Fresh = Pick<Stopwatch, 'job' | 'activity' | 'bytes' | 'files' | 'until'>;

/** Starts, then stops. A clock that runs for another job is not touched. */
export function press(at: number, fresh: Fresh): void {
  const { watch } = now();
  if (watch && watch.job !== fresh.job) return;
  if (!watch) {
    keep({
      watch: {
        ...fresh,
        start: momentOf(at),
        stop: null,
        laps: [],
        correction: 0,
        page: performance.timeOrigin,
        reloads: 0,
      },
      discarded: null,
    });
  } else if (watch.stop === null) change((w) => ({ ...w, stop: momentOf(at) }));
}

export const lap = (at: number): void =>
  change((w) =>
    w.stop === null ? { ...w, laps: [...w.laps, (momentOf(at) - w.start) / 1000].slice(-500) } : w,
  );
/** Adds to the correction, in s; only once it has stopped. */
export const correct = (by: number): void =>
  change((w) => (w.stop === null ? w : { ...w, correction: Math.round((w.correction + by) * 10) / 10 }));
/** What was moved, or what it was stopped at. */
export const describe = (part: Partial<Fresh>): void => change((w) => ({ ...w, ...part }));
export const discard = (): void => keep({ watch: null, discarded: now().watch ?? now().discarded });
export const bringBack = (): void => {
  const { watch, discarded } = now();
  if (!watch && discarded) keep({ watch: discarded, discarded: null });
};
/** Back to nothing after a run was kept. */
export const reset = (): void => setSetting('watch', NONE);

/** Seconds of a stopped watch, corrected; null while it has not stopped. */
export const watchSeconds = ({ start, stop, correction }: Stopwatch): number | null =>
  stop !== null ? (stop - start) / 1000 + correction : null;

/** `1:27:05.3`, `4:56.4`, `0.0`. */
export function clock(seconds: number): string {
  // Rounded as every time is: what is told of a press elsewhere is this.
  const tenths = Math.round(Math.max(0, seconds) * 10);
  const [h, m, s] = [Math.floor(tenths / 36000), Math.floor(tenths / 600) % 60, Math.floor(tenths / 10) % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return `${h > 0 ? `${h}:${two(m)}` : m}:${two(s)}.${tenths % 10}`;
}

/** Whether the system's clock was set back between two pages, so that nothing can be told: it would have ended before it began. */
export const isUnknown = (watch: Stopwatch): boolean => watch.stop !== null && watch.stop <= watch.start;

/** One-sigma error that reloads add, in s. */
export const reloadError = ({ reloads }: Stopwatch): number => RELOAD * Math.sqrt(reloads);
