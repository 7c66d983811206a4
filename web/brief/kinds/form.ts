import type { ReactNode } from 'react';
import type * as z from 'zod';
import type { Activity } from '@kymar/core/job';

export interface KindFieldsProps<A extends Activity> {
  activity: A;
  onActivity(activity: Activity): void;
  /** What everybody is asked, or what only some know. */
  part: 'first' | 'more';
}

/** What stays when the kind changes. */
export type Blank = Pick<Activity, 'id' | 'name' | 'perDay' | 'target' | 'machine' | 'device'>;

/** One kind of activity on the page: what it is called and what is asked. Nothing must be answered. */
export interface KindForm<A extends Activity> {
  words: string;
  /** What its target is called; null where it has none. */
  target: string | null;
  /** How often it happens is asked. */
  often: boolean;
  /** Nothing known of it yet. */
  blank(common: Blank): A;
  /** What is asked of it, each so wide. */
  schema: z.ZodObject;
  sx: object;
  /** Those that only some know: behind More. */
  more?: readonly string[];
  /** What was said there beside the schema's own. */
  moreSaid?(activity: A): string[];
  /** What is asked otherwise, in place of what the schema says. */
  Fields?(props: KindFieldsProps<A>): ReactNode;
}

/** Nobody said. */
export const UNKNOWN = { value: null, source: { kind: 'unknown' } } as const;

/** Widths in the card's six columns; on a phone two beside each other, three are too narrow to read. */
export const third = { gridColumn: { xs: 'span 3', sm: 'span 2' } };
export const half = { gridColumn: 'span 3' };
