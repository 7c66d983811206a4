import { directionOf, type Activity } from '../../job';
import type { Setting } from '../../fit';
import type { Direction } from '../../catalog/links';
import { pathOf, type Situation } from '../../forecast';

/** The first activity in a direction: its other end stands for all of them. */
export const firstOf = (work: readonly Activity[], direction: Direction): Activity | undefined =>
  work.find((activity) => directionOf(activity) === direction);

/** The path of a situation in one direction with what the rules need to know; the other end is that of the first activity in this direction. */
export function settingOf(situation: Situation, direction: Direction): Setting {
  const { device, work, needs, own } = situation;
  return {
    path: pathOf(situation, firstOf(work, direction)?.endpoint),
    direction,
    needs,
    activities: work,
    accessories: device.accessories,
    own,
  };
}
