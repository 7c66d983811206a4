import type { Estimate } from '../evidence';
import type { PolicyId } from '../job';
import type { Accessory } from '../catalog/parts';
import type { SegmentId } from '../assembly';
import type { Facts } from './facts';

export const SEVERITIES = ['blocks', 'limits', 'caution', 'note'] as const;
/** `blocks`: it will not go or not work; `limits`: it works, slower or for less; `caution`: it can go wrong; `note`: good to know. */
export type Severity = (typeof SEVERITIES)[number];

type Of<T> = T | ((f: Facts) => T);

/** One thing practitioners look for before they buy or plug. */
export interface Rule {
  id: string;
  severity: Of<Severity>;
  /** Where on the strip it sits; null for the job as a whole. */
  segment: Of<SegmentId | null>;
  title: Of<string>;
  when(f: Facts): boolean;
  reason: Of<string>;
  /** What helps; null: whatever the search for fixes finds on this machine. */
  fix: Of<string> | null;
  /** The question practitioners disagree on, where the rule follows one of the answers. */
  policy?: PolicyId;
  /** The small part that settles it. */
  kit?: Accessory['kind'];
  /** A figure behind the reason, with its working. */
  figure?(f: Facts): Estimate | null;
}

/** A rule that fired, in words. */
export interface Finding {
  id: string;
  severity: Severity;
  segment: SegmentId | null;
  title: string;
  reason: string;
  /** What helps, in words; null: whatever the search for fixes finds on this machine. */
  fix: string | null;
  /** The question practitioners disagree on, and the answer that was followed. */
  policy?: { id: PolicyId; followed: string };
  /** The figure behind it, made on demand. */
  figure?: () => Estimate | null;
}

export const of = <T>(value: Of<T>, f: Facts): T =>
  typeof value === 'function' ? (value as (f: Facts) => T)(f) : value;
