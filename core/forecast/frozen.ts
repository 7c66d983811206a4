import { sha, type FrozenForecast, type Job } from '../job';
import { canonical } from '../text';
import type { OwnRanges } from '../catalog/assumptions';
import { situationOf } from './case';
import { forecastAll } from './job';

/** Version of the models, written into every frozen forecast. */
export const MODEL = '2';

/**
 * Freezes a job's forecast as it stands: inputs, figures with working, time stamp and content hash.
 * @param own the shop's own ranges in place of what is assumed
 * @throws RangeError when there is nothing to freeze
 */
export function freeze(job: Job, id: string, at: string, own: OwnRanges = {}): FrozenForecast {
  const situation = situationOf(job, own);
  const found = situation && forecastAll(situation);
  if (!found || !job.build)
    throw new RangeError('There is no forecast to freeze: choose parts whose path is not blocked first.');
  const results = found.activities.map(({ activity, figure, rate, course, probability }) => ({
    activity: activity.id,
    ...(rate ? { time: figure, rate } : { figure }),
    probability,
    ...(course ? { bar: course.bar } : {}),
  }));
  const body = {
    at,
    model: MODEL,
    host: job.host,
    build: job.build,
    activities: job.activities,
    ...(job.needs ? { needs: job.needs } : {}),
    ...(Object.keys(own).length > 0 ? { ranges: { ...own } } : {}),
    results,
  };
  return { id, ...body, hash: sha(canonical(body)) };
}
