import { type Build } from '../../build/assembly';
import { pathOf } from '../../forecast';
import type { Setting } from '../../fit';
import { directionOf, type Job } from '../../job';
import type { Direction } from '../../catalog/links';

/** What is to be changed: a job's host, its build and what it asks. */
export type Plan = Pick<Job, 'host' | 'activities' | 'needs'> & { build: Build };

/** The path of a plan in one direction with what the rules need to know; the other end is that of the first activity in this direction. */
export function settingOf({ host, build, activities, needs }: Plan, direction: Direction): Setting {
  const endpoint = activities.find((a) => directionOf(a) === direction)?.endpoint;
  return {
    path: pathOf(host, build, endpoint),
    direction,
    needs,
    activities,
    accessories: build.accessories,
  };
}
