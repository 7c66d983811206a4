import { CAUSES } from './causes/known';
import { COARSE, DRAWS, EVERY, type Evidence } from './evidence';
import { areAlike, fitOf, type Fit } from './fit';
import { formsOf, type Form } from './forms';
import type { Hypothesis } from './hypothesis';
import { causeKey } from './look';
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
export const PRIORS = { healthy: 60, none: 4 };

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
  /** What it is held against where that is not all as it stands: one run set apart from the others. */
  evidence?: readonly Evidence[] | undefined;
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

/** A form of a cause with how well it fits; its prior is the cause's, times its share of it. */
interface Fitted extends Fit {
  form: Form;
  prior: number;
}
const worthOf = ({ fit, prior }: { fit: number; prior: number }): number => fit + Math.log(prior);

/** Forms with how well they fit by few of the draws, the best first; what leaves no path is not among them. */
const coarsely = (evidence: readonly Evidence[], forms: readonly Form[], priorOf: Prior): Fitted[] =>
  forms
    .flatMap((form) => {
      const found = fitOf(form.evidence ?? evidence, form.cause, EVERY * COARSE);
      const prior = priorOf(form.cause) * form.share;
      return found ? [{ form, prior, fit: found.fit, weights: spread(found.weights) }] : [];
    })
    .sort((a, b) => worthOf(b) - worthOf(a));

/** The same by all draws. */
const closely = (evidence: readonly Evidence[], one: Fitted): Fitted => ({
  ...one,
  ...fitOf(one.form.evidence ?? evidence, one.form.cause, EVERY),
});

/** A cause by all of its forms: the likeliest stands for it. @param forms of one cause, at least one */
function together(evidence: readonly Evidence[], forms: readonly Fitted[], prior: number): Scored {
  const [best] = [...forms].sort((a, b) => worthOf(b) - worthOf(a)) as [Fitted];
  const { cause } = best.form;
  const sum = forms.reduce((total, one) => total + Math.exp(worthOf(one) - worthOf(best)), 0);
  return {
    id: cause?.id ?? HEALTHY,
    cause,
    prior,
    fit: worthOf(best) + Math.log(sum) - Math.log(prior),
    weights: best.weights,
    probability: 0,
    evidence: best.form.evidence,
    isUnseen:
      cause !== null && forms.every(({ form }) => areAlike(form.evidence ?? evidence, form.cause, null)),
  };
}

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
  const forms: Form[] = causes
    .map((c) => ({ ...c, prior: priorOf(c) }))
    .flatMap((cause) => formsOf(evidence, cause));
  const coarse = coarsely(evidence, [{ cause: null, share: 1 }, ...forms], priorOf);
  const floor = coarse[0] ? worthOf(coarse[0]) - WITHIN : 0;
  const found = coarse.map((one, i) =>
    one.form.cause === null || i < CLOSELY || worthOf(one) > floor ? closely(evidence, one) : one,
  );
  const byCause = new Map<string, Fitted[]>();
  for (const one of found) {
    const id = one.form.cause?.id ?? HEALTHY;
    byCause.set(id, [...(byCause.get(id) ?? []), one]);
  }
  const scored = [...byCause.values()].map((one) => together(evidence, one, priorOf(one[0]!.form.cause)));
  scored.push(
    ...pairsOf(evidence, found, { all: priorOf(null) + causes.reduce((sum, c) => sum + priorOf(c), 0) }),
  );
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
 * Two causes at once, thought of only where they tell it better than either, and as well as anything does.
 * @param all sum of all priors
 */
function pairsOf(
  evidence: readonly Evidence[],
  found: readonly Fitted[],
  { all }: { all: number },
): Scored[] {
  const least = Math.max(...found.map(worthOf)) - WITHIN;
  // Of each cause the way that fits best; a slip of one figure alone leaves the others as they are.
  const best = new Map<string, Fitted>();
  for (const one of found) {
    const { cause, evidence: parted } = one.form;
    if (!cause || parted || cause.odd) continue;
    if (one.fit > (best.get(cause.id)?.fit ?? -Infinity)) best.set(cause.id, one);
  }
  const ranked = [...best.values()].sort((a, b) => b.fit - a.fit);
  const fitOfOne = new Map(ranked.map(({ form, fit }) => [causeKey(form.cause), fit]));
  const counts = (pair: Fitted, by: number) =>
    worthOf(pair) > least &&
    pair.form.cause!.both!.every((one) => pair.fit > fitOfOne.get(causeKey(one))! + by);
  const pairs = likelyPairs(
    evidence,
    // A way of a cause is there as often as its share says, beside another cause too.
    ranked.map(({ form: { cause, share } }) => ({ ...cause!, prior: cause!.prior * share })),
    { all, least },
  );
  return coarsely(
    evidence,
    pairs.map((cause) => ({ cause, share: 1 })),
    (pair) => pair!.prior,
  )
    .filter((pair) => counts(pair, ALIKE - COARSELY))
    .map((pair) => closely(evidence, pair))
    .filter((pair) => counts(pair, ALIKE))
    .map((pair) => together(evidence, [pair], pair.prior));
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
