import type { OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import { evidenceOf } from './evidence';
import { seenOf } from './seen';
import { nextTests, type NextTest } from './next';
import { groupsOf, score, type Group } from './score';

/** A cause as it is told. */
export interface Told {
  id: string;
  title: string;
  fix: string | null;
  probability: number;
  prior: number;
}

/** What a job's measurements say of their cause. */
export interface Diagnosis {
  /** The most probable first; `healthy` and `none of these` among them. */
  causes: Told[];
  groups: Group[];
  next: NextTest[];
  /** What it goes by: titles of the claims. */
  by: string[];
}

const ODD: Record<string, string> = {
  healthy: 'All is as forecast',
  'none of these': 'Something nobody thought of',
};
/** A cause less probable than this is not told. */
const TOLD = 0.001;

/**
 * Causes of what was measured, and what to look at next.
 * @param priors of somebody's own, by cause
 * @returns null where nothing was measured that can be held against a forecast
 */
export function diagnose(
  job: Job,
  own: OwnRanges = {},
  priors: Readonly<Record<string, number>> = {},
): Diagnosis | null {
  const measured = evidenceOf(job, own).sort((a, b) => b.off - a.off);
  if (measured.length === 0) return null;
  const evidence = [...measured, ...seenOf(job, measured)];
  const scored = score(evidence, { priors });
  return {
    causes: scored
      .filter(({ probability }) => probability >= TOLD)
      .map(({ id, cause, probability, prior }) => ({
        id,
        title: cause?.title ?? ODD[id]!,
        fix: cause?.fix ?? null,
        probability,
        prior,
      })),
    groups: groupsOf(scored).filter(({ probability }) => probability >= TOLD),
    next: nextTests(evidence, scored),
    by: evidence.map(({ title }) => title),
  };
}
