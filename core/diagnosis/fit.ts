import { cholesky, forward, SAMPLES } from '../stats';
import { COARSE, EVERY, logsUnder, type Evidence } from './evidence';
import { causeOn } from './forms';
import { MODEL_SIGMA } from '../verdict';
import type { Hypothesis } from './hypothesis';
import { seenUnder } from './look';
import { scatterLevels, unlikeBy } from './scatter';

/** How probable it is that somebody looks wrong. */
export const MISREAD = 0.02;
/** A cause that moves no time by more than this, as a logarithm, is lost in what the models leave out. */
const UNSEEN = MODEL_SIGMA;

/** What tells the same keeps the order of the tables, whatever is lost in the last digits. */
const ROUND = 1e-11;

/** How well a cause tells all that was measured and seen. */
export interface Fit {
  /** Logarithm of how probable it is. */
  fit: number;
  /** How probable each draw is by it; their sum is 1. */
  weights: Float64Array;
}

/** Of logarithms, one a draw: that of their mean, and each one's share of it. */
export function fitOfDraws(each: Float64Array): Fit {
  const most = each.reduce((a, b) => Math.max(a, b), -Infinity);
  const sum = each.reduce((total, l) => total + Math.exp(l - most), 0);
  const fit = Math.round((most + Math.log(sum / each.length)) / ROUND) * ROUND;
  return { fit, weights: each.map((l) => Math.exp(l - most) / sum) };
}

/** Logarithm of a normal's density so far off its middle. */
export const bell = (off: number, sigma: number): number =>
  -((off / sigma) ** 2) / 2 - Math.log(sigma * Math.sqrt(2 * Math.PI));

/** Times are no one bell: classes of drives stand apart, and the rule is for one [common practice, no source]. */
const NARROWER = 0.3 ** 2;

/** Draws of what was timed, each a point with a bell around it. */
export interface Bells {
  /** Logarithm of how probable each draw makes what was timed. @param shift added to each time of a draw, by measurement */
  at(shift?: readonly number[]): Float64Array;
}

/**
 * Draws are few, and what was timed is much: each stands for what lies around it too, as wide as its neighbours are apart
 * [bandwidth by Silverman 1986], and moved towards their middle by as much as keeps their scatter [West 1993; both from memory].
 * @param rows logarithms of s, a list of draws for each measurement
 * @param times what was timed
 * @param shared of what two of them are off by, what they are off by together: the square of its sigma
 */
export function bells(
  rows: readonly Float64Array[],
  times: readonly { log: number; sigma: number }[],
  shared: (i: number, j: number) => number = () => 0,
): Bells {
  const [d, n] = [rows.length, rows[0]?.length ?? 0];
  if (d === 0) return { at: () => new Float64Array(n) };
  const width = NARROWER * (4 / ((d + 2) * n)) ** (2 / (d + 4));
  const middles = rows.map((row) => row.reduce((a, b) => a + b, 0) / n);
  const cov = rows.map((one, i) =>
    rows.map((other, j) => {
      let sum = 0;
      for (let k = 0; k < n; k++) sum += (one[k]! - middles[i]!) * (other[k]! - middles[j]!);
      return (width * sum) / n + (i === j ? times[i]!.sigma ** 2 : shared(i, j));
    }),
  );
  const root = cholesky(cov);
  const depth = root.reduce((sum, row, i) => sum + Math.log(row[i]!), 0) + (d / 2) * Math.log(2 * Math.PI);
  const whitened = (v: (i: number) => number) => forward(root, v);
  const kept = Math.sqrt(Math.max(0, 1 - width));
  const points = Array.from({ length: n }, (_, k) =>
    whitened((i) => middles[i]! + kept * (rows[i]![k]! - middles[i]!)),
  );
  return {
    at(shift) {
      const goal = whitened((i) => times[i]!.log - (shift?.[i] ?? 0));
      return Float64Array.from(points, (point) => {
        let far = 0;
        for (let i = 0; i < d; i++) far += (goal[i]! - point[i]!) ** 2;
        return -far / 2 - depth;
      });
    },
  };
}

/**
 * How probable all that was measured and seen is where a cause holds, draw by draw.
 * @param every only each so many-th of the draws
 * @returns null where the cause leaves no path
 */
export function fitOf(evidence: readonly Evidence[], cause: Hypothesis | null, every: number): Fit | null {
  const timed = evidence.flatMap((one) => {
    const { of, toBar, look, time } = one;
    return time ? [{ ...one, time, draws: logsUnder(causeOn(cause, one), of, { look, toBar, every }) }] : [];
  });
  if (timed.some(({ draws }) => draws === null)) return null;
  const sights = fitOfSights(evidence, cause);
  if (timed.length === 0) return fitOfDraws(new Float64Array(SAMPLES / every).fill(sights));
  const rows = timed.map(({ draws }) => draws!);
  // What the models leave out of one case is the same in each run of it.
  const isOneCase = (a: Evidence, b: Evidence) =>
    a.of === b.of && a.logs !== undefined && b.logs !== undefined;
  const shared = (i: number, j: number) => (isOneCase(timed[i]!, timed[j]!) ? MODEL_SIGMA ** 2 : 0);
  const levels = scatterLevels(timed, unlikeBy(cause)).map(({ log, sigmas }) => {
    const times = timed.map(({ time }, i) => ({ log: time.log, sigma: sigmas[i]! }));
    return bells(rows, times, shared)
      .at()
      .map((fit) => fit + log + sights);
  });
  return fitOfDraws(summed(levels));
}

/** Of logarithms of probabilities, draw by draw, that of their sum. */
function summed([first, ...others]: readonly Float64Array[]): Float64Array {
  return others.reduce(
    (sum, one) =>
      sum.map((a, i) => {
        const b = one[i]!;
        return Math.max(a, b) + Math.log1p(Math.exp(-Math.abs(a - b)));
      }),
    first!,
  );
}

/** Logarithm of how probable all that was seen is where a cause holds. */
export const fitOfSights = (evidence: readonly Evidence[], cause: Hypothesis | null): number =>
  evidence.reduce((sum, { of, look, time, seen }) => {
    if (time !== null) return sum;
    return sum + Math.log(seenUnder(look, cause, of) === seen ? 1 - MISREAD : MISREAD);
  }, 0);

/** Whether two causes would show alike in all that was measured and seen; null is that all is well. */
export function areAlike(
  evidence: readonly Evidence[],
  one: Hypothesis | null,
  other: Hypothesis | null,
): boolean {
  return evidence.every((measured) => {
    const { of, toBar, look, time } = measured;
    if (time === null) return seenUnder(look, one, of) === seenUnder(look, other, of);
    const [a, b] = [one, other].map((c) =>
      logsUnder(causeOn(c, measured), of, { look, toBar, every: EVERY * COARSE }),
    );
    if (!a || !b) return false;
    const apart = a.reduce((sum, log, i) => sum + Math.abs(log - b[i]!), 0);
    return apart / a.length < UNSEEN;
  });
}
