import { placesOf, sha, type FrozenForecast, type Job } from '../job';
import { canonical } from '../text';
import type { OwnRanges } from '../catalog/assumptions';
import { situationAt } from './case';
import { forecastAll } from './job';
import { blocksAt } from './setting';

/** Version of the models, written into every frozen forecast. */
export const MODEL_VERSION = '2';

/**
 * Freezes a job's forecast as it stands, for all places where something flows: inputs, figures with working, time stamp and content hash.
 * @param shopRanges the shop's own ranges in place of what is assumed
 * @throws RangeError when there is nothing to freeze
 */
export function freeze(job: Job, id: string, at: string, shopRanges: OwnRanges = {}): FrozenForecast {
  const results = placesOf(job).flatMap((place) => {
    const situation = situationAt(job, place, shopRanges);
    if (!situation || situation.activities.length === 0 || blocksAt(situation).length > 0) return [];
    return forecastAll(situation)?.activities ?? [];
  });
  if (results.length === 0)
    throw new RangeError('There is no forecast to freeze: choose parts that nothing blocks first.');
  const { machines, devices, connections, activities, policies } = job;
  const body = {
    at,
    model: MODEL_VERSION,
    machines,
    devices,
    connections,
    activities,
    ...(policies ? { policies } : {}),
    ...(Object.keys(shopRanges).length > 0 ? { ranges: { ...shopRanges } } : {}),
    results: results.map(({ activity, figure, rate, course, probability }) => ({
      activity: activity.id,
      ...(rate ? { time: figure, rate } : { figure }),
      probability,
      ...(course ? { bar: course.bar } : {}),
    })),
  };
  return { id, ...body, hash: sha(canonical(body)) };
}
