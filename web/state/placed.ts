import equal from 'fast-deep-equal';
import {
  briefAt,
  deviceName,
  placesOf,
  samePlace,
  withBuild,
  type Brief,
  type Job,
  type Place,
  type Run,
} from '@kymar/core/job';
import { changeJob } from './jobs';

/** A job at one of its places: what its views are about. */
export interface Placed extends Brief {
  /** The job's id. */
  job: string;
  place: Place;
  /** What the place is called: its device, on its machine. */
  name: string;
  /** What names the place in an address; empty for the job's first. */
  search: string;
}

type Build = NonNullable<Brief['build']>;

/** A place in a word, as addresses and the server's runs know it. */
export const placeKey = ({ device, machine }: Place): string => `${device}~${machine}`;

const known = new WeakMap<Job, Placed[]>();
/** As each place was last: of what stays the same the same object is given again, so that nothing is worked out anew. */
const last = new Map<string, Placed>();
const MOST = 5000;

/** What of the next is as the last was, by what it says, in the last one's own objects. */
function settled(next: Placed): Placed {
  const key = `${next.job} ${placeKey(next.place)}`;
  const before = last.get(key);
  if (last.size >= MOST) last.clear();
  const made = before ? keeping<Placed>(before, next) : next;
  last.set(key, made);
  return made;
}

function keeping<T extends object>(before: T, next: T): T {
  const keys = Object.keys(next) as (keyof T)[];
  const made = { ...next };
  for (const key of keys) if (equal(before[key], next[key])) made[key] = before[key];
  const same = Object.keys(before).length === keys.length && keys.every((key) => made[key] === before[key]);
  return same ? before : made;
}

/** A job at each of its places; none while it has no machine. */
export function placedOf(job: Job): Placed[] {
  const had = known.get(job);
  if (had) return had;
  const made = placesOf(job).map((place, i) => {
    const brief = briefAt(job, place)!;
    const device = deviceName(job.devices, place.device);
    const names = [
      ...(job.devices.length > 1 ? [device] : []),
      ...(job.machines.length > 1 || job.devices.length < 2 ? [brief.host.name] : []),
    ];
    const name = names.join(' · ');
    return settled({ ...brief, job: job.id, place, name, search: i === 0 ? '' : `?at=${placeKey(place)}` });
  });
  known.set(job, made);
  return made;
}

/** The place of a job that a key names, else its first; null while it has no machine. */
export const placedAt = (job: Job, key: string | null): Placed | null =>
  placedOf(job).find(({ place }) => placeKey(place) === key) ?? placedOf(job)[0] ?? null;

/** A job at a place that is known of it. */
export const placedWhere = (job: Job, place: Place): Placed | null =>
  placedOf(job).find((at) => samePlace(at.place, place)) ?? null;

/** Changes what stands at a place: parts, or how they hang there. */
export function changeBuild(
  { job, place }: Pick<Placed, 'job' | 'place'>,
  change: (build: Build) => Build,
): void {
  changeJob(job, (j) => {
    const build = briefAt(j, place)?.build;
    return build ? withBuild(j, place, change(build)) : j;
  });
}

/** Where a run was made, in words; nothing where a job has but one place. */
export function whereWords(job: Job, { path }: Pick<Run, 'path'>): string {
  if (!path) return 'path not described';
  if ('host' in path) {
    const port = path.host.ports.find((p) => p.id === path.build.port);
    return `on ${path.host.name}, ${port?.position ?? 'another port'}`;
  }
  return placedOf(job).length > 1 ? (placedWhere(job, path)?.name ?? 'elsewhere') : '';
}

/** Where a new activity belongs: to what is looked at, where there are several. */
export const belongsTo = ({ devices, machines }: Job, at: Placed | null): Partial<Place> => ({
  ...(at && devices.length > 1 && { device: at.place.device }),
  ...(at && machines.length > 1 && { machine: at.place.machine }),
});
