import { blocksOf, type Setting } from '../fit';
import { directionOf, type Activity } from '../job';
import { DIRECTIONS, type Direction } from '../catalog/links';
import { pathOf, type Situation } from './case';

/** The first activity in a direction: its other end stands for all of them. */
export const firstOf = (work: readonly Activity[], direction: Direction): Activity | undefined =>
  work.find((activity) => directionOf(activity) === direction);

/** The path of a situation in one direction with what the rules need to know; the other end is that of the first activity in this direction. */
export function settingOf(situation: Situation, direction: Direction): Setting {
  return {
    ...situation,
    path: pathOf(situation, firstOf(situation.activities, direction)?.endpoint),
    direction,
  };
}

/** Ids of the rules that keep a situation's work from going, in whichever direction it goes. */
export function blocksAt(situation: Situation): string[] {
  const directions = DIRECTIONS.filter((d) => firstOf(situation.activities, d) !== undefined);
  return [...new Set(directions.flatMap((d) => blocksOf(settingOf(situation, d))))];
}
