import { CAUSES } from './causes';
import { DRAWS, logsOf, type Evidence } from './evidence';
import type { Hypothesis } from './hypothesis';
import { lookedAt } from './look';

/** What is neither of the causes: that all is as forecast, or that it is something nobody thought of. */
export const HEALTHY = 'healthy';
export const NONE = 'none of these';

/** How often all is well, and how often it is none of the causes, beside them [memory]. */
const PRIORS = { healthy: 60, none: 2 };
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
}

/** Causes that what was measured cannot tell apart. */
export interface Group {
  ids: string[];
  probability: number;
}

/** How probable it is that somebody looks wrong. */
const MISREAD = 0.02;

/**
 * How probable all that was measured and seen is where a cause holds, draw by draw.
 * @returns null where the cause leaves no path
 */
function fitOf(
  evidence: readonly Evidence[],
  cause: Hypothesis | null,
): Pick<Scored, 'fit' | 'weights'> | null {
  const each = new Float64Array(DRAWS);
  for (const { of, toBar, look, time, seen } of evidence) {
    const here = lookedAt(look, cause, of);
    if (time === null) {
      const told = look?.sees?.(here) === seen ? 1 - MISREAD : MISREAD;
      for (let i = 0; i < DRAWS; i++) each[i]! += Math.log(told);
      continue;
    }
    const logs = logsOf(here, toBar);
    if (!logs) return null;
    const { log, sigma } = time;
    const width = Math.log(sigma * Math.sqrt(2 * Math.PI));
    for (let i = 0; i < DRAWS; i++) each[i]! -= ((log - logs[i]!) / sigma) ** 2 / 2 + width;
  }
  const most = each.reduce((a, b) => Math.max(a, b), -Infinity);
  const sum = each.reduce((total, l) => total + Math.exp(l - most), 0);
  return { fit: most + Math.log(sum / DRAWS), weights: each.map((l) => Math.exp(l - most) / sum) };
}

/** Causes that what was measured tells no better than this from another are one group: a Bayes factor of three. */
const ALIKE = Math.log(3);

/**
 * All causes held against all that was measured, the most probable first.
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
  const applying = causes.filter((c) => evidence.some(({ of }) => c.applies(of)));
  const found: Scored[] = [];
  for (const cause of [null, ...applying]) {
    const id = cause?.id ?? HEALTHY;
    const fit = fitOf(evidence, cause);
    const prior = priors[id] ?? cause?.prior ?? PRIORS.healthy;
    if (fit) found.push({ id, cause, prior, probability: 0, ...fit });
  }
  // What nobody thought of looks like anything.
  const none = evidence.reduce((sum, { time }) => sum - Math.log(time ? SPAN : 3), 0);
  const weights = new Float64Array(DRAWS).fill(1 / DRAWS);
  found.push({
    id: NONE,
    cause: null,
    prior: priors[NONE] ?? PRIORS.none,
    fit: none,
    probability: 0,
    weights,
  });
  const most = Math.max(...found.map((s) => s.fit));
  const total = found.reduce((sum, s) => sum + s.prior * Math.exp(s.fit - most), 0);
  for (const s of found) s.probability = (s.prior * Math.exp(s.fit - most)) / total;
  return found.sort((a, b) => b.probability - a.probability);
}

/** Scored causes in groups that what was measured cannot tell apart, the most probable group first. */
export function groupsOf(scored: readonly Scored[]): Group[] {
  const left = [...scored].filter((s) => s.id !== HEALTHY && s.id !== NONE).sort((a, b) => b.fit - a.fit);
  const groups: Scored[][] = scored.filter((s) => s.id === HEALTHY || s.id === NONE).map((s) => [s]);
  while (left.length > 0) {
    const best = left[0]!.fit;
    const size = left.filter((s) => s.fit >= best - ALIKE).length;
    groups.push(left.splice(0, size));
  }
  return groups
    .map((group) => ({
      ids: group.sort((a, b) => b.probability - a.probability).map((s) => s.id),
      probability: group.reduce((sum, s) => sum + s.probability, 0),
    }))
    .sort((a, b) => b.probability - a.probability);
}
