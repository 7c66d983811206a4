import { pathOf } from '@kymar/core/forecast';
import { runsOfReal, type EndEvent, type KeptRun, type Purpose } from '@kymar/core/measure';
import type { Brief, Job, Run } from '@kymar/core/job';
import { placedAt, placedOf, placeKey, type Placed } from './placed';
import { shopNow } from './shop';

/** Somewhere a run can be made, by a key that addresses and the server's runs bear. */
export interface Where {
  key: string;
  name: string;
  path: NonNullable<Run['path']>;
}

/** The places of a job themselves, as far as something is built there. */
export const ownPlaces = (job: Job): Where[] =>
  placedOf(job)
    .filter((at) => at.build !== null)
    .map(({ place, name }) => ({ key: placeKey(place), name: `${name}, as built`, path: place }));

/** Where else a place's parts can be timed: other ports of its machine, the job's other machines, and the shop's where they fit. */
export function elsewhere(job: Job, at: Placed): Where[] {
  if (!at.build) return [];
  // What the system was seen to negotiate holds for the port it was seen on.
  const { seen: _, ...build } = at.build;
  const known = [at.host, ...job.machines.map((m) => m.host).filter((host) => host !== at.host)];
  const hosts = [...known, ...shopNow().hosts.filter((host) => !known.some((own) => own.id === host.id))];
  const all = hosts.flatMap((host) =>
    host.ports.map((port) => ({
      key: [placeKey(at.place), host.id, port.id].join('~'),
      name: `${host === at.host ? 'Same parts, other port' : host.name}: ${port.position}`,
      path: { host, build: { ...build, port: port.id } },
    })),
  );
  const isOwn = ({ host, build: b }: { host: Brief['host']; build: { port: string } }) =>
    host === at.host && b.port === build.port;
  return all.filter(({ path }) => !isOwn(path) && pathOf(path).blocked.length === 0);
}

/** What a key stands for; null for a path that is not described. */
export function pathBy(job: Job, key: string | null): Run['path'] {
  const own = ownPlaces(job).find((where) => where.key === key);
  if (own || key === null) return own?.path ?? null;
  const [device, machine] = key.split('~');
  const at = placedAt(job, `${device}~${machine}`);
  return (at && elsewhere(job, at).find((where) => where.key === key)?.path) ?? null;
}

/** The runs of a job that what the server measured comes to. */
export const runsIn = (job: Job, run: KeptRun, end: EndEvent, purpose: Purpose): Run[] =>
  runsOfReal(run, end, purpose, {
    path: pathBy(job, purpose.place),
    activity: job.activities.find((a) => a.id === purpose.activity) ?? null,
  });
