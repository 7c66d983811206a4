import { recordersFor } from '../evidence';
import { run } from '../models';
import { eachDraw, SEED, type Chosen, type Drawing } from '../stats';
import { directionOf } from '../job';
import { barePathFor, collect } from './answer';
import { beyondModels } from './beyond';
import { kindOf } from './kinds/registry';
import type { Case } from './case';
import { warmest } from './transfer';

/** What a case takes in one draw. */
export interface DrawnTime {
  /** s until the progress bar is full, and until all is written. */
  bar: number;
  safe: number;
  /** °C of the drive at its hottest; NaN where it has no heat. */
  hottest: number;
  /** Which way each choice went. */
  chosen: Chosen;
}

/** What the draws of a case are called: what a file costs is another thing when reading and when writing. */
export const drawNames =
  ({ activity }: Pick<Case, 'activity'>) =>
  (id: string): string =>
    id === 'perFile' ? `${id} ${directionOf(activity)}` : id;

/**
 * Goes through what a case takes in each draw; draws of the same number are of the same unit, whatever is asked of it.
 * @param seed of the draws: with another one they are of other units
 * @returns false where nothing flows at a stretch, or the path is blocked
 */
export function eachTime(
  of: Case,
  visit: (time: DrawnTime, i: number) => void,
  { seed = SEED, ...drawing }: { seed?: number } & Omit<Drawing, 'named'> = {},
): boolean {
  const path = barePathFor(of);
  const inputs = collect(recordersFor(of.shopRanges).bare, of, { path });
  if (!inputs) {
    const drawn = path.blocked.length > 0 ? undefined : kindOf(of.activity).drawn?.(of, path);
    if (!drawn) return false;
    const { time, named } = drawn;
    eachDraw(
      drawn,
      seed,
      ({ x, chosen }, i) => {
        const s = time(x);
        visit({ bar: s, safe: s, hottest: NaN, chosen }, i);
      },
      { ...drawing, named },
    );
    return true;
  }
  const beyond = beyondModels(seed, inputs.beyond);
  eachDraw(
    inputs,
    seed,
    ({ x, chosen }, i) => {
      const outcome = run(inputs.plan(x, chosen));
      const { bar, safe } = outcome.flows[inputs.own - 1]!;
      const by = beyond[i]!;
      visit({ bar: by * bar, safe: by * safe, hottest: warmest(outcome), chosen }, i);
    },
    { ...drawing, named: drawNames(of) },
  );
  return true;
}
