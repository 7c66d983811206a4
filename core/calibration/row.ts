import type { AssumptionId } from '../catalog/assumptions';
import type { Spread } from '../stats';

/** What the shop's jobs teach of a row, beside what is assumed. */
export interface LearnedRow {
  row: AssumptionId;
  prior: Spread;
  learned: Spread;
  /** Jobs whose time it decided, jobs that lie too far off to be believed, and jobs that show no more than that it was no less. */
  jobs: number;
  bounds: number;
  aside: number;
}
