import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { FrozenForecast, Job } from '../job';
import { canonical } from '../text';
import { forecastJob } from './job';

/** Version of the models, written into every frozen forecast. */
export const MODEL = '2';

/**
 * Freezes a job's forecast as it stands: inputs, figures with working, time stamp and content hash.
 * @throws RangeError when there is nothing to freeze
 */
export function freeze(job: Job, id: string, at: string): FrozenForecast {
  const forecast = forecastJob(job);
  if (!forecast || !job.build) throw new RangeError('There is no forecast to freeze: choose parts whose path is not blocked first.');
  const body = {
    at,
    model: MODEL,
    host: job.host,
    build: job.build,
    activities: job.activities,
    ...(job.needs ? { needs: job.needs } : {}),
    results: forecast.activities.map(({ activity, figure, rate, course, probability }) => ({ activity: activity.id, ...(rate ? { time: figure, rate } : { figure }), probability, ...(course ? { bar: course.bar } : {}) })),
  };
  return { id, ...body, hash: hashOf(body) };
}

/** Whether a frozen forecast still is what was hashed. */
export function isUntouched({ id: _id, hash, ...body }: FrozenForecast): boolean {
  return hashOf(body) === hash;
}

function hashOf(body: Omit<FrozenForecast, 'id' | 'hash'>): string {
  return bytesToHex(sha256(utf8ToBytes(canonical(body))));
}
