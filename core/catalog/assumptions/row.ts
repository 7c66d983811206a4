import type { Spread } from '../../stats';
import type { Unit } from '../../units';

/** Where a row goes in. */
export type Use =
  'path' | 'transfer' | 'random' | 'loads' | 'heat' | 'arrays' | 'endurance' | 'workload' | 'classes';

/** Something Kymar assumes where nobody says: what is on the market, what practitioners reckon with. */
export interface Assumption {
  /** What it is, as the working calls it. */
  name: string;
  value: Spread;
  unit: Unit;
  /** `memory`: recalled, not looked up; `practice`: common practice, no source. */
  source: 'memory' | 'practice';
  /** What it holds for. */
  on?: string;
  used: readonly Use[];
}

/** A row with its three points. */
export const row = (
  name: string,
  [low, expected, high]: readonly [number, number, number],
  unit: Unit,
  source: Assumption['source'],
  used: readonly Use[],
  on?: string,
): Assumption => ({
  name,
  value: { low, expected, high },
  unit,
  source,
  ...(on === undefined ? {} : { on }),
  used,
});
