import type { Build } from '../../assembly';
import type { OpenPlace } from './wanted';

/** A build as demands are held against it. */
export interface JudgedBuild {
  build: Build;
  open: OpenPlace;
  /** Years until its rating is written; null where nothing wears or nothing is rated. */
  years: number | null;
  /** Of a disk: share of its yearly workload rating in use; null where it has none. */
  workload: number | null;
  /** °C that the drive settles at while its path moves all it can; null where nothing warms or nobody models it. */
  hottest: number | null;
  /** The day its last part is here, ISO, by what was noted of delivery; null: not noted of some part. */
  arrives: string | null;
}

/** Something asked of a build beside its activities' targets; it stands in the place of an activity in {@link Miss}. */
export interface Demand {
  id: string;
  /** In a table and in the middle of a sentence. */
  name: string;
  /** What is wrong with a build that misses it, as a sentence without its full stop. */
  missed: string;
  /** Whether nothing that misses it is ever recommended: no target that might be given up. */
  isNever?: true;
  /** Whether Kymar asks it by itself; absent: the brief does. */
  isOwn?: true;
  /** How many times it is missed, above 1; 1 and less: kept; null: not asked here. */
  by(of: JudgedBuild): number | null;
  /** Why nobody knows whether it is kept though it is asked, as a sentence; null where that is known. */
  open?(of: JudgedBuild): string | null;
}

/** What is missed wholly counts as missed by this factor. */
export const WHOLLY = 2;
