import { CAUSES } from './causes';
import { SAMPLES } from '../stats';
import { DRAWS, EVERY, logsUnder, MODEL, type Evidence } from './evidence';
import { pairOf, type Hypothesis } from './hypothesis';
import { lookedAt } from './look';

/** What is neither of the causes: that all is as forecast, or that it is something nobody thought of. */
export const HEALTHY = 'healthy';
export const NONE = 'none of these';

/** How often all is well, and how often it is none of the causes, beside them [memory]. */
export const PRIORS = { healthy: 60, none: 2 };
/** Of something nobody thought of, times are as likely over this span: so many times shorter to so many times longer than forecast. */
const SPAN = Math.log(8 * 30);

/** A cause held against all that was measured. */
export interface Scored {
  id: string;
  cause: Hypothesis | null;
  prior: number;
  /** Logarithm of how probable what was measured is where it holds. */
  fit: number;
  probability: number;
  /** How probable each draw is by what was measured; their sum is 1. */
  weights: Float64Array;
  /** Whether it would show in nothing that was measured or seen: whether it is there, nobody can tell. */
  isUnseen: boolean;
}

/** Causes that what was measured cannot tell apart. */
export interface Group {
  ids: string[];
  probability: number;
}

/** How probable it is that somebody looks wrong. */
const MISREAD = 0.02;

interface Fit {
  fit: number;
  weights: Float64Array;
  /** How far its best draw is from telling every time to the letter: half a chi square. */
  miss: number;
}

/**
 * How probable all that was measured and seen is where a cause holds, draw by draw.
 * @param every only each so many-th of the draws
 * @returns null where the cause leaves no path
 */
function fitOf(evidence: readonly Evidence[], cause: Hypothesis | null, every: number): Fit | null {
  const each = new Float64Array(SAMPLES / every);
  let ideal = 0;
  for (const { of, toBar, look, time, seen } of evidence) {
    if (time === null) {
      const told = look?.sees?.(lookedAt(look, cause, of)) === seen ? 1 - MISREAD : MISREAD;
      const log = Math.log(told);
      ideal += log;
      for (let i = 0; i < each.length; i++) each[i]! += log;
      continue;
    }
    const logs = logsUnder(cause, of, { look, toBar, every });
    if (!logs) return null;
    const { log, sigma } = time;
    const width = Math.log(sigma * Math.sqrt(2 * Math.PI));
    ideal -= width;
    for (let i = 0; i < each.length; i++) each[i]! -= ((log - logs[i]!) / sigma) ** 2 / 2 + width;
  }
  const most = each.reduce((a, b) => Math.max(a, b), -Infinity);
  const sum = each.reduce((total, l) => total + Math.exp(l - most), 0);
  return {
    fit: most + Math.log(sum / each.length),
    weights: each.map((l) => Math.exp(l - most) / sum),
    miss: ideal - most,
  };
}

/** A cause that moves no time by more than this, as a logarithm, is lost in what the models leave out. */
const UNSEEN = MODEL;

/** Whether a cause would show in nothing that was measured or seen. */
function isUnseen(evidence: readonly Evidence[], cause: Hypothesis | null): boolean {
  return evidence.every(({ of, toBar, look, time }) => {
    if (time === null)
      return look?.sees?.(lookedAt(look, cause, of)) === look?.sees?.(lookedAt(look, null, of));
    const [with_, without] = [cause, null].map((c) =>
      logsUnder(c, of, { look, toBar, every: EVERY * COARSE }),
    );
    if (!with_ || !without) return false;
    const apart = with_.reduce((sum, log, i) => sum + Math.abs(log - without[i]!), 0);
    return apart / with_.length < UNSEEN;
  });
}

/** Coarsely looked at first: only each so many-th of the draws a cause is held against. */
const COARSE = 4;
/** As many as this, and whatever is within so much of the best, are looked at closely. */
const CLOSELY = 10;
const WITHIN = 6;
/** One cause explains what was measured where its best draw is no further off than this for each measurement. */
const EXPLAINED = 1;
/** As many single causes as fit best are each tried together with every other. */
const PAIRED = 3;

/** Coarse weights as those of all draws. */
const spread = (weights: Float64Array): Float64Array =>
  Float64Array.from({ length: DRAWS }, (_, i) => weights[Math.floor(i / COARSE)]! / COARSE);

/** Causes with how well they fit, all of them coarsely, those that count closely. */
function fitted(evidence: readonly Evidence[], causes: readonly (Hypothesis | null)[], priorOf: Prior) {
  const coarse = causes.flatMap((cause) => {
    const found = fitOf(evidence, cause, EVERY * COARSE);
    return found ? [{ cause, prior: priorOf(cause), ...found }] : [];
  });
  const worth = (one: (typeof coarse)[number]) => one.fit + Math.log(one.prior);
  coarse.sort((a, b) => worth(b) - worth(a));
  const best = coarse[0] ? worth(coarse[0]) : 0;
  return coarse.map((one, i) => {
    const isClose = one.cause === null || i < CLOSELY || worth(one) > best - WITHIN;
    const close = isClose ? fitOf(evidence, one.cause, EVERY) : null;
    return close ? { ...one, ...close } : { ...one, weights: spread(one.weights) };
  });
}
type Prior = (cause: Hypothesis | null) => number;

/**
 * All causes held against all that was measured, the most probable first; two at once where no one explains it.
 * @param priors of somebody's own, by cause, in place of those they come with
 */
export function score(
  evidence: readonly Evidence[],
  {
    causes = CAUSES,
    priors = {},
  }: { causes?: readonly Hypothesis[]; priors?: Readonly<Record<string, number>> } = {},
): Scored[] {
  if (evidence.length === 0) return [];
  const priorOf: Prior = (cause) =>
    cause === null ? (priors[HEALTHY] ?? PRIORS.healthy) : (priors[cause.id] ?? cause.prior);
  const applying = causes.filter((c) => evidence.some(({ of }) => c.applies(of)));
  const found = fitted(evidence, [null, ...applying], priorOf);
  if (!found.some(({ miss }) => miss < EXPLAINED * evidence.length)) {
    const all = priorOf(null) + causes.reduce((sum, c) => sum + priorOf(c), 0);
    const ranked = found.flatMap(({ cause, fit }) => (cause ? [{ cause, fit }] : []));
    const owned = ranked
      .sort((a, b) => b.fit - a.fit)
      .map(({ cause }) => ({ ...cause, prior: priorOf(cause) }));
    const pairs = owned.slice(0, PAIRED).flatMap((a, i) => owned.slice(i + 1).map((b) => pairOf(a, b, all)));
    found.push(...fitted(evidence, pairs, (pair) => pair!.prior));
  }
  const scored: Scored[] = found.map(({ cause, prior, fit, weights }) => ({
    id: cause?.id ?? HEALTHY,
    cause,
    prior,
    fit,
    weights,
    probability: 0,
    isUnseen: cause !== null && isUnseen(evidence, cause),
  }));
  // What nobody thought of looks like anything.
  scored.push({
    id: NONE,
    cause: null,
    prior: priors[NONE] ?? PRIORS.none,
    fit: evidence.reduce((sum, { time }) => sum - Math.log(time ? SPAN : 3), 0),
    weights: new Float64Array(DRAWS).fill(1 / DRAWS),
    probability: 0,
    isUnseen: false,
  });
  const most = scored.reduce((a, s) => Math.max(a, s.fit), -Infinity);
  const total = scored.reduce((sum, s) => sum + s.prior * Math.exp(s.fit - most), 0);
  for (const s of scored) s.probability = (s.prior * Math.exp(s.fit - most)) / total;
  return scored.sort((a, b) => b.probability - a.probability);
}

/** Causes that what was measured tells no better than this from another are one group: a Bayes factor of three. */
const ALIKE = Math.log(3);

/**
 * Scored causes in groups that what was measured cannot tell apart, the most probable group first. What would show in nothing stands with what is
 * healthy.
 */
export function groupsOf(scored: readonly Scored[]): Group[] {
  const isOdd = ({ id }: Scored) => id === HEALTHY || id === NONE;
  const left = scored.filter((s) => !isOdd(s) && !s.isUnseen).sort((a, b) => b.fit - a.fit);
  const groups: Scored[][] = scored
    .filter(isOdd)
    .map((s) => (s.id === HEALTHY ? [s, ...scored.filter(({ isUnseen: is }) => is)] : [s]));
  while (left.length > 0) {
    const best = left[0]!.fit;
    const size = left.filter((s) => s.fit >= best - ALIKE).length;
    groups.push(left.splice(0, size));
  }
  return groups
    .map((group) => ({
      ids: group
        .sort((a, b) => Number(isOdd(b)) - Number(isOdd(a)) || b.probability - a.probability)
        .map((s) => s.id),
      probability: group.reduce((sum, s) => sum + s.probability, 0),
    }))
    .sort((a, b) => b.probability - a.probability);
}
