import { useSettings, setSetting } from './settings';

/**
 * A stopwatch, bound to the job and activity it times. Moments are ms since 1970: they mean the same after a reload. What was moved
 * stands here too, so that an unkept time is whole.
 */
export interface Watch {
  job: string;
  activity: string;
  start: number;
  stop: number | null;
  /** Laps in s from the start. */
  laps: number[];
  /** What the bar showed at a lap: s from the start, share of all that is moved. Absent: nobody noted one. */
  shown?: Shown[];
  /** Correction in s, entered by hand after the stop. */
  correction: number;
  bytes: number | null;
  files: number | null;
  until: 'bar' | 'written';
  /** Page loads its clock has run across: each may be off by what the system's clock was set meanwhile. */
  page: number;
  reloads: number;
}

/** How far a bar was at a moment: s from the start, 0 to 1. */
export interface Shown {
  t: number;
  share: number;
}

/** What one reload adds to the error of a time, one sigma in s [memory]: a clock that is being set drifts by less. */
export const RELOAD = 0.05;

interface Kept {
  watch: Watch | null;
  /** What was discarded last, so that it can be brought back. */
  discarded: Watch | null;
}
const NONE: Kept = { watch: null, discarded: null };

/** A moment of the page's own clock, e.g. of a key press, as ms since 1970. */
export const momentOf = (timeStamp: number): number => performance.timeOrigin + timeStamp;

const isWatch = (data: unknown): data is Watch =>
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

/** Changes the one stopwatch, where there is one. */
export function change(to: (watch: Watch) => Watch): void {
  const { watch } = now();
  if (!watch) return;
  const next = to(watch);
  const page = performance.timeOrigin;
  keep({ watch: next.page === page ? next : { ...next, page, reloads: next.reloads + 1 } });
}

type Fresh = Pick<Watch, 'job' | 'activity' | 'bytes' | 'files' | 'until'>;

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
export const secondsOf = ({ start, stop, correction }: Watch): number | null =>
  stop !== null ? (stop - start) / 1000 + correction : null;

/** `1:27:05.3`, `4:56.4`, `0.0`. */
export function clock(seconds: number): string {
  const tenths = Math.floor(Math.max(0, seconds) * 10 + 1e-6);
  const [h, m, s] = [Math.floor(tenths / 36000), Math.floor(tenths / 600) % 60, Math.floor(tenths / 10) % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return `${h > 0 ? `${h}:${two(m)}` : m}:${two(s)}.${tenths % 10}`;
}

/** One-sigma error that reloads add, in s. */
export const reloadError = ({ reloads }: Watch): number => RELOAD * Math.sqrt(reloads);
