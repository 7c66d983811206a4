import { demoJobs } from '../demo';
import { placesOf, traitsOf, type Job } from '../job';

import { situationAt, settingOf } from '.';

const situations = demoJobs().flatMap((job: Job) =>
  placesOf(job).flatMap((place) => situationAt(job, place) ?? []),
);
const load = situations.find(({ activities }) =>
  activities.some((a) => traitsOf(a).requests === 'dependent'),
)!;
const copy = situations.find(({ activities }) => activities.some(({ kind }) => kind === 'move'))!;

test('what is opened where it lies has no other end; what is copied has, and so has both together', () => {
  const only = { ...load, activities: load.activities.filter((a) => traitsOf(a).requests === 'dependent') };
  const { path } = settingOf(only, 'read');
  expect(path.constraints.map(({ id }) => id)).not.toContain('other');
  expect(path.segments.at(-1)).toMatchObject({
    id: 'host',
    part: only.host.name,
    endsAtHost: true,
    constraints: [],
  });
  const moved = copy.activities.find(({ kind }) => kind === 'move')!;
  const reading = { ...moved, direction: 'read' as const, endpoint: undefined };
  const both = settingOf({ ...only, activities: [...only.activities, reading] }, 'read').path;
  expect(both.constraints.map(({ id }) => id)).toContain('other');
  expect(path.flow!.read.expected).toBeGreaterThanOrEqual(both.flow!.read.expected);
  // Nothing is done that way: a copy is what one would try.
  expect(settingOf(only, 'write').path.constraints.map(({ id }) => id)).toContain('other');
});
