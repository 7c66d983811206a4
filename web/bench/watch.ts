import { create } from 'zustand';

/** A stopwatch. Moments in ms of the page's own clock. */
export interface Watch {
  start: number | null;
  stop: number | null;
  /** Laps in s from the start. */
  laps: number[];
  /** Correction in s, entered by hand after the stop. */
  correction: number;
}
const IDLE: Watch = { start: null, stop: null, laps: [], correction: 0 };

interface Watches {
  watch: Watch;
  /** What was discarded last, so that it can be brought back. */
  discarded: Watch | null;
}

/** The one stopwatch: it goes on while other views are looked at. */
export const useWatch = create<Watches>(() => ({ watch: IDLE, discarded: null }));
const change = (to: (watch: Watch) => Watch) => useWatch.setState(({ watch }) => ({ watch: to(watch) }));

/** Starts, then stops. */
export const press = (at: number) => change((w) => (w.start === null ? { ...IDLE, start: at } : w.stop === null ? { ...w, stop: at } : w));
export const lap = (at: number) => change((w) => (w.start !== null && w.stop === null ? { ...w, laps: [...w.laps, (at - w.start) / 1000] } : w));
/** Adds to the correction, in s; only once it has stopped. */
export const correct = (by: number) => change((w) => (w.stop === null ? w : { ...w, correction: Math.round((w.correction + by) * 10) / 10 }));
export const discard = () => useWatch.setState(({ watch }) => (watch.start === null ? {} : { watch: IDLE, discarded: watch }));
export const bringBack = () => useWatch.setState(({ discarded }) => (discarded ? { watch: discarded, discarded: null } : {}));
/** Back to nothing after a run was kept. */
export const reset = () => useWatch.setState({ watch: IDLE, discarded: null });

/** Seconds of a stopped watch, corrected; null while it has not stopped. */
export const secondsOf = ({ start, stop, correction }: Watch): number | null => (start !== null && stop !== null ? (stop - start) / 1000 + correction : null);
