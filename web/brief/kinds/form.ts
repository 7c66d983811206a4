import type { ReactNode } from 'react';
import type { Activity } from '@kymar/core/job';

export interface KindFieldsProps<A extends Activity> {
  activity: A;
  onActivity(activity: Activity): void;
}

/** What stays when the kind changes. */
export type Blank = Pick<Activity, 'id' | 'name' | 'perDay' | 'target' | 'machine' | 'device'>;

/** One kind of activity on the page: what it is called and what is asked. Nothing must be answered. */
export interface Form<A extends Activity> {
  words: string;
  /** What its target is called; null where it has none. */
  target: string | null;
  /** How often it happens is asked. */
  often: boolean;
  /** Nothing known of it yet. */
  blank(common: Blank): A;
  Fields(props: KindFieldsProps<A>): ReactNode;
}

/** Nobody said. */
export const UNKNOWN = { value: null, source: { kind: 'unknown' } } as const;

/** Widths in the card's six columns. */
export const third = { gridColumn: 'span 2' };
export const half = { gridColumn: 'span 3' };
