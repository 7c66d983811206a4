import type { Case } from '../forecast';

/** What is at fault: where that is replaced or left out, the cause is gone. */
export type Site = 'port' | 'cable' | 'device' | 'machine' | 'other end' | 'work' | 'figures';

/** A measurement, as far as a cause asks of it. */
interface Measurement {
  of: Case;
  /** Whether another program's rate was read off. */
  isRate?: boolean;
}

/** What a cause does. */
interface Does {
  /** Whether it can be the cause here at all. */
  applies(of: Case): boolean;
  /** The case as it is where it is the cause. */
  change(of: Case): Case;
  /** What it makes of the s that something takes, where it is no change of the case. @param u 0 to 1, another one for each draw */
  slip?(seconds: number, of: Case, u: number): number;
  /** Whether it has a say in a measurement; absent: in each it applies to. */
  concerns?(one: Measurement): boolean;
}

/** Something that may be the cause: nothing but a change of the case, with what to say and do about it. */
export interface Hypothesis extends Does {
  id: string;
  /** Several ways in which it may be there, each as often as its share says (absent: 1); what one leaves out is as the cause says. */
  ways?: readonly (Partial<Does> & { key: string; share?: number })[];
  /** What tells one of its ways from another, and how often it is that one, beside the others. */
  key?: string;
  share?: number;
  /** Whether it may touch one figure alone. */
  isSlip?: boolean;
  /** Whether runs differ by it from one to the next. */
  comesAndGoes?: boolean;
  /** Whether it grows from one run to the next. */
  buildsUp?: boolean;
  /** The one measurement that it touches. */
  odd?: Measurement;
  site: Site;
  /** How often it is the cause among what falls short, relative to the others [from memory]. */
  prior: number;
  title: string;
  /** What to do about it. */
  fix: string;
  /** What the fix has to be bought for, where that is a part. */
  takes?: 'cable' | 'enclosure' | 'drive';
  /** Of two causes at once, each: one may be gone while the other stays. */
  both?: readonly [Hypothesis, Hypothesis];
}

/** Each single cause in one; none of what is healthy. */
export const singles = (cause: Hypothesis | null): readonly Hypothesis[] =>
  cause === null ? [] : (cause.both ?? [cause]);

/** Causes of one site, each without saying so. */
export const at = (site: Site, causes: readonly Omit<Hypothesis, 'site'>[]): readonly Hypothesis[] =>
  causes.map((cause) => ({ ...cause, site }));
