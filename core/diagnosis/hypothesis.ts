import type { Case } from '../forecast';

/** What is at fault: where that is replaced or left out, the cause is gone. */
export type Site = 'port' | 'cable' | 'device' | 'machine' | 'other end' | 'work' | 'figures';

/** Something that may be the cause: nothing but a change of the case, with what to say and do about it. */
export interface Hypothesis {
  id: string;
  site: Site;
  /** How often it is the cause among what falls short, relative to the others [from memory]. */
  prior: number;
  title: string;
  /** What to do about it. */
  fix: string;
  /** What the fix has to be bought for, where that is a part. */
  takes?: 'cable' | 'enclosure' | 'drive';
  /** Whether it can be the cause here at all. */
  applies(of: Case): boolean;
  /** The case as it is where it is the cause. */
  change(of: Case): Case;
  /** Of two causes at once, each: one may be gone while the other stays. */
  both?: readonly [Hypothesis, Hypothesis];
}

/** Each single cause in one; none of what is healthy. */
export const singles = (cause: Hypothesis | null): readonly Hypothesis[] =>
  cause === null ? [] : (cause.both ?? [cause]);

/** Causes of one site, each without saying so. */
export const at = (site: Site, causes: readonly Omit<Hypothesis, 'site'>[]): readonly Hypothesis[] =>
  causes.map((cause) => ({ ...cause, site }));
