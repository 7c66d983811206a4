import { blocksOf, type Setting } from '../fit';
import { directionOf, traitsOf, type Activity } from '../job';
import { DIRECTIONS, type Direction } from '../catalog/links';
import { pathOf, type Situation } from './case';

/** The first activity in a direction: its other end stands for all of them. */
export const firstOf = (work: readonly Activity[], direction: Direction): Activity | undefined =>
  work.find((activity) => directionOf(activity) === direction);

/** Whether nothing is copied in a direction, though something is done: it is opened or worked on where it lies. */
const endsAtHost = (work: readonly Activity[], direction: Direction): boolean => {
  const there = work.filter((activity) => directionOf(activity) === direction);
  return there.length > 0 && there.every((activity) => traitsOf(activity).requests !== 'sequential');
};

/** The path of a situation in one direction with what the rules need to know; the other end is that of the first activity in this direction. */
export function settingOf(situation: Situation, direction: Direction): Setting {
  const { activities } = situation;
  const end = firstOf(activities, direction)?.endpoint;
  return { ...situation, path: pathOf(situation, end, endsAtHost(activities, direction)), direction };
}

/** Ids of the rules that keep a situation's work from going, in whichever direction it goes. */
export function blocksAt(situation: Situation): string[] {
  const directions = DIRECTIONS.filter((d) => firstOf(situation.activities, d) !== undefined);
  return [...new Set(directions.flatMap((d) => blocksOf(settingOf(situation, d))))];
}
