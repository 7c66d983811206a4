import { COARSE, EVERY, logsUnder, type Evidence } from './evidence';
import { bell, bells, fitOfDraws, fitOfSights } from './fit';
import type { Site } from './hypothesis';
import { lookedAt, seenUnder } from './look';
import { scatterLevels, UNLIKE } from './scatter';
import { median } from '../stats';
import { isDirection } from './scaling';

/*
 * None of the known causes. Either it touches each time and each sight by itself: that is as it would be where all is well, or may be
 * anything. Or it sits somewhere and makes all that goes through there so many times as long, until that is replaced.
 */

/** Share of what is measured or seen that it leaves as it would be [memory]. */
const UNTOUCHED = 0.5;
/** How far it may put a time off what is forecast, as logarithms: to so many times shorter (what is built passes no more), to so many times longer [memory]. */
export const FAR = { low: -Math.log(2), high: Math.log(1000) } as const;
/** So many things are there to be seen at a look. */
const SIGHTS = 3;

/** No time is impossible. */
const LEAST = 1e-12;
/** How steeply it ends at either end, a logarithm of s. */
const EDGE = 0.1;

/**
 * How probable a time is under it, a logarithm of s.
 * @param healthy how probable it is where all is well
 * @param off how far it lies from the middle of that
 */
export function timeOdd(healthy: number, off: number): number {
  const beyond = Math.max(FAR.low - off, off - FAR.high, 0);
  const anywhere = Math.exp(-((beyond / EDGE) ** 2) / 2) / (FAR.high - FAR.low);
  return UNTOUCHED * healthy + (1 - UNTOUCHED) * anywhere;
}

/** How probable a sight is under it. @param isUsual whether it is what is seen where all is well */
export const sightOdd = (isUsual: boolean): number => (isUsual ? UNTOUCHED : 0) + (1 - UNTOUCHED) / SIGHTS;

const isUsual = ({ of, look, seen }: Evidence): boolean => seenUnder(look, null, of) === seen;

/** Draws of each measurement where all is well; null of what was only seen. */
const healthyOf = ({ of, look, toBar, time }: Evidence): Float64Array | null =>
  time && logsUnder(null, of, { look, toBar, every: EVERY * COARSE });

/** Logarithm of how probable it all is where each is touched by itself. */
function fitApart(evidence: readonly Evidence[]): number {
  return evidence.reduce((sum, one) => {
    if (one.time === null) return sum + Math.log(sightOdd(isUsual(one)));
    const { log, sigma } = one.time;
    const logs = healthyOf(one) ?? new Float64Array();
    const healthy =
      logs.reduce((total, at) => total + Math.exp(bell(at - log, sigma)), 0) / Math.max(1, logs.length);
    return sum + Math.log(timeOdd(healthy, log - median(Array.from(logs))) + LEAST);
  }, 0);
}

const SITES: readonly Site[] = ['port', 'cable', 'device', 'machine', 'other end', 'work'];
const WAYS = ['read', 'write', null] as const;
/** So many steps from the shortest to the longest. */
const STEPS = 90;

/** Logarithm of how probable all that was measured and seen is under it. */
export function fitOfUnknown(evidence: readonly Evidence[]): number {
  const timed = evidence.filter(({ time }) => time !== null);
  const rows = timed.map((one) => healthyOf(one));
  // It may come and go, or not.
  const levels = scatterLevels(
    timed.map(({ time, scatter }) => ({ time: time!, scatter })),
    UNLIKE.byUnknown,
  );
  const lying = fitOfDraws(Float64Array.from(levels, ({ log }) => log)).fit + Math.log(levels.length);
  if (timed.length === 0 || rows.some((row) => row === null)) return fitApart(evidence) + lying;
  const healthy = bells(
    rows as Float64Array[],
    timed.map(({ time }) => time!),
  );
  const sights = fitOfSights(evidence, null);
  /** What goes through there, that way, takes so many times as long; the rest is as where all is well. */
  const fitAt = (touched: readonly boolean[]): number => {
    const each = Float64Array.from({ length: STEPS }, (_, k) => {
      const far = FAR.low + ((k + 0.5) / STEPS) * (FAR.high - FAR.low);
      return fitOfDraws(healthy.at(touched.map((is) => (is ? far : 0)))).fit;
    });
    return fitOfDraws(each).fit + sights;
  };
  // Sites that nothing tells apart yet touch the same.
  const fits = new Map<string, number>();
  const together = SITES.flatMap((site) =>
    WAYS.map((way) => {
      const touched = timed.map(
        ({ of, look }) =>
          // It slows things down; how hot they get is another matter.
          !of.asksHottest &&
          !look?.replaces.includes(site) &&
          (way === null || isDirection(lookedAt(look, null, of), way)),
      );
      const key = touched.join();
      const fit = fits.get(key) ?? fitAt(touched);
      fits.set(key, fit);
      return fit;
    }),
  );
  return (
    lying + fitOfDraws(Float64Array.of(fitApart(evidence), fitOfDraws(Float64Array.from(together)).fit)).fit
  );
}
