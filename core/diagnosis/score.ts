import { CAUSES } from './causes/known';
import { COARSE, DRAWS, EVERY, type Evidence } from './evidence';
import { areAlike, fitOf, type Fit } from './fit';
import type { Hypothesis } from './hypothesis';
import { likelyPairs } from './pairs';
import { fitOfUnknown } from './unknown';

/** What is neither of the causes: that nothing is wrong, or that it is something else. */
export const HEALTHY = 'healthy';
export const NONE = 'none of these';
/** What the two are called. */
export const NO_CAUSE: Record<string, string> = {
  [HEALTHY]: 'Nothing wrong found',
  [NONE]: 'None of the known causes',
};

/** How often all is well, and how often it is none of the causes, beside them [memory]. */
export const PRIORS = { healthy: 60, none: 2 };

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

/** As many causes as this, and whatever is within so much of the best, are looked at closely. */
const CLOSELY = 6;
const WITHIN = 6;

/** Few draws may tell a cause worse than all of them by so much. */
const COARSELY = 0.5;

/** What is told no better than this from another is not told from it: a Bayes factor of three. */
const ALIKE = Math.log(3);

/** Coarse weights as those of all draws. */
const spread = (weights: Float64Array): Float64Array =>
  Float64Array.from({ length: DRAWS }, (_, i) => weights[Math.floor(i / COARSE)]! / COARSE);

type Prior = (cause: Hypothesis | null) => number;
const worthOf = ({ fit, prior }: { fit: number; prior: number }): number => fit + Math.log(prior);

interface Fitted extends Fit {
  cause: Hypothesis | null;
  prior: number;
}

/** Causes with how well they fit by few of the draws, the best first; what leaves no path is not among them. */
const coarsely = (
  evidence: readonly Evidence[],
  causes: readonly (Hypothesis | null)[],
  priorOf: Prior,
): Fitted[] =>
  causes
    .flatMap((cause) => {
      const found = fitOf(evidence, cause, EVERY * COARSE);
      return found ? [{ cause, prior: priorOf(cause), fit: found.fit, weights: spread(found.weights) }] : [];
    })
    .sort((a, b) => worthOf(b) - worthOf(a));

/** The same by all draws. */
const closely = (evidence: readonly Evidence[], one: Fitted): Fitted => ({
  ...one,
  ...fitOf(evidence, one.cause, EVERY),
});

/**
 * All causes held against all that was measured, the most probable first; two at once where they may tell it as well.
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
  const applying = causes
    .filter((c) => evidence.some(({ of }) => c.applies(of)))
    .map((c) => ({ ...c, prior: priorOf(c) }));
  const coarse = coarsely(evidence, [null, ...applying], priorOf);
  const floor = coarse[0] ? worthOf(coarse[0]) - WITHIN : 0;
  const found = coarse.map((one, i) =>
    one.cause === null || i < CLOSELY || worthOf(one) > floor ? closely(evidence, one) : one,
  );
  const all = priorOf(null) + causes.reduce((sum, c) => sum + priorOf(c), 0);
  const least = Math.max(...found.map(worthOf)) - WITHIN;
  const ranked = found.flatMap(({ cause, fit }) => (cause ? [{ cause, fit }] : []));
  const owned = ranked.sort((a, b) => b.fit - a.fit).map(({ cause }) => cause);
  const fitOfOne = new Map(found.map(({ cause, fit }) => [cause?.id, fit]));
  // Two are thought of only where they tell it better than either, and as well as anything does.
  const counts = (pair: Fitted, by: number) =>
    worthOf(pair) > least && pair.cause!.both!.every(({ id }) => pair.fit > fitOfOne.get(id)! + by);
  found.push(
    ...coarsely(evidence, likelyPairs(evidence, owned, { all, least }), (pair) => pair!.prior)
      .filter((pair) => counts(pair, ALIKE - COARSELY))
      .map((pair) => closely(evidence, pair))
      .filter((pair) => counts(pair, ALIKE)),
  );
  const scored: Scored[] = found.map(({ cause, prior, fit, weights }) => ({
    id: cause?.id ?? HEALTHY,
    cause,
    prior,
    fit,
    weights,
    probability: 0,
    isUnseen: cause !== null && areAlike(evidence, cause, null),
  }));
  scored.push({
    id: NONE,
    cause: null,
    prior: priors[NONE] ?? PRIORS.none,
    fit: fitOfUnknown(evidence),
    weights: new Float64Array(DRAWS).fill(1 / DRAWS),
    probability: 0,
    isUnseen: false,
  });
  const most = scored.reduce((a, s) => Math.max(a, s.fit), -Infinity);
  const total = scored.reduce((sum, s) => sum + s.prior * Math.exp(s.fit - most), 0);
  for (const s of scored) s.probability = (s.prior * Math.exp(s.fit - most)) / total;
  return scored.sort((a, b) => b.probability - a.probability);
}

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
