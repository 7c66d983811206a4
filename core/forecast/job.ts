import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Build } from '../bench';
import { life, type Life } from '../endurance';
import { formula, fromFact, type Estimate, type Fact } from '../evidence';
import type { Activity, FrozenForecast, Job } from '../job';
import { asRevised, type Host } from '../parts';
import { buildPath, type Path } from '../path';
import { forecastTransfer, type TransferForecast } from './forecast';

/** Version of the models, written into every frozen forecast. */
export const MODEL = '1';

/** The path of a build on a host, to its built-in drive or to another of its endpoints. @throws RangeError for a port or an endpoint the host has not */
export function pathOf(host: Host, { accessories: _, ...build }: Build, endpointId?: string): Path {
  const port = host.ports.find((p) => p.id === build.port);
  if (!port) throw new RangeError(`"${build.port}" is no port of ${host.name}.`);
  const endpoint = endpointId === undefined ? undefined : host.endpoints?.find((e) => e.id === endpointId);
  if (endpointId !== undefined && !endpoint) throw new RangeError(`"${endpointId}" is no endpoint of ${host.name}.`);
  return buildPath({ ...build, drive: asRevised(build.drive), port, host, endpoint });
}

export interface ActivityForecast extends TransferForecast {
  activity: Activity;
  /** Probability that the wish is met; null without a wish. */
  probability: number | null;
}

export interface JobForecast {
  path: Path;
  activities: ActivityForecast[];
  /** Endurance, or the reason why it cannot be worked out. */
  life: Life | { problem: string };
}

/** Everything forecast for a job; null while nothing is built or the path is blocked. */
export function forecastJob(job: Pick<Job, 'host' | 'build' | 'activities'>): JobForecast | null {
  if (!job.build) return null;
  const path = pathOf(job.host, job.build);
  if (path.blocked.length > 0) return null;
  const to = (endpoint: string | undefined) => (endpoint === undefined ? path : pathOf(job.host, job.build!, endpoint));
  const activities = job.activities.map((activity) => forecastActivity(to(activity.endpoint), activity));
  return { path, activities, life: lifeOf(job.build, job.activities) };
}

function forecastActivity(path: Path, activity: Activity): ActivityForecast {
  const forecast = forecastTransfer(path, { ...activity, otherEnd: 'storage' });
  return { ...forecast, activity, probability: activity.wish === null ? null : forecast.chance(activity.wish) };
}

const dailyWrites = formula({ name: 'writes a day', unit: 'B/day', inputs: { bytes: 'bytes', times: 'times a day' }, of: (m, x) => m.mul(x.bytes, x.times) });
const together = formula({ name: 'writes a day', unit: 'B/day', inputs: { a: 'first', b: 'others' }, of: (m, x) => m.add(x.a, x.b) });

/** Writes a day that the activities bring to the drive; null when none writes. */
function writesPerDay(activities: readonly Activity[]): Estimate | null {
  const each = activities
    .filter((a) => a.direction === 'write')
    .map((a) => dailyWrites.explain({ bytes: fromFact('bytes', a.bytes, 'B', { range: { low: 20e9, expected: 100e9, high: 500e9 }, note: 'what people move in one go' })!, times: fromFact('times a day', a.perDay, 'per day', { range: { low: 0.2, expected: 1, high: 2 }, note: 'now and then to twice a day' })! }, { name: `writes a day: ${a.name}` }));
  return each.length === 0 ? null : each.reduce((a, b) => together.explain({ a, b }));
}

function lifeOf(build: Build, activities: readonly Activity[]): Life | { problem: string } {
  const { tbw, capacity, warrantyYears } = asRevised(build.drive);
  const rate = writesPerDay(activities);
  try {
    return life({ tbw, capacity, warrantyYears, readings: [], writesPerDay: null }, rate);
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** Whether a life is one, and not the reason why there is none. */
export const isLife = (found: Life | { problem: string }): found is Life => 'dwpd' in found;

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
    results: forecast.activities.map(({ activity, time, rate, probability }) => ({ activity: activity.id, time, rate, probability })),
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

/** JSON with sorted keys: the same content always hashes the same. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) => (typeof part === 'object' && part !== null && !Array.isArray(part) ? Object.fromEntries(Object.entries(part).filter(([, v]) => v !== undefined).sort(([a], [b]) => (a < b ? -1 : 1))) : part));
}

/** A fact that holds one exact number, as entered. */
export const exactFact = (value: number): Fact => ({ value, source: { kind: 'entered' } });
