import { SAMPLES } from '../stats';
import { EVERY, logsUnder, MODEL, type Evidence } from './evidence';
import type { Hypothesis } from './hypothesis';
import { lookedAt } from './look';

/** How probable it is that somebody looks wrong. */
export const MISREAD = 0.02;
/** Coarsely: only each so many-th of the draws that a cause is held against. */
export const COARSE = 4;
/** A cause that moves no time by more than this, as a logarithm, is lost in what the models leave out. */
const UNSEEN = MODEL;

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
  return { fit: most + Math.log(sum / each.length), weights: each.map((l) => Math.exp(l - most) / sum) };
}

/**
 * How probable all that was measured and seen is where a cause holds, draw by draw.
 * @param every only each so many-th of the draws
 * @returns null where the cause leaves no path
 */
export function fitOf(evidence: readonly Evidence[], cause: Hypothesis | null, every: number): Fit | null {
  const each = new Float64Array(SAMPLES / every);
  for (const { of, toBar, look, time, seen } of evidence) {
    if (time === null) {
      const log = Math.log(look?.sees?.(lookedAt(look, cause, of)) === seen ? 1 - MISREAD : MISREAD);
      for (let i = 0; i < each.length; i++) each[i]! += log;
      continue;
    }
    const logs = logsUnder(cause, of, { look, toBar, every });
    if (!logs) return null;
    const { log, sigma } = time;
    const width = Math.log(sigma * Math.sqrt(2 * Math.PI));
    for (let i = 0; i < each.length; i++) each[i]! -= ((log - logs[i]!) / sigma) ** 2 / 2 + width;
  }
  return fitOfDraws(each);
}

/** Whether two causes would show alike in all that was measured and seen; null is that all is well. */
export function areAlike(
  evidence: readonly Evidence[],
  one: Hypothesis | null,
  other: Hypothesis | null,
): boolean {
  return evidence.every(({ of, toBar, look, time }) => {
    if (time === null)
      return look?.sees?.(lookedAt(look, one, of)) === look?.sees?.(lookedAt(look, other, of));
    const [a, b] = [one, other].map((c) => logsUnder(c, of, { look, toBar, every: EVERY * COARSE }));
    if (!a || !b) return false;
    const apart = a.reduce((sum, log, i) => sum + Math.abs(log - b[i]!), 0);
    return apart / a.length < UNSEEN;
  });
}
