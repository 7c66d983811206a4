import { type Run } from '@kymar/core/job';
import { apart } from '@kymar/core/build/assembly';
import { pathOf } from '@kymar/core/forecast';
import type { Job } from '@kymar/core/job';
import { shopNow } from './shop';

export interface Place {
  key: string;
  name: string;
  path: Exclude<Run['path'], 'customer' | null>;
}

/** Where else the same parts can be timed: other ports of the customer's machine, and the shop's own hosts where the parts fit. */
export function placesOf(job: Job): Place[] {
  if (!job.build) return [];
  // What the system was seen to negotiate holds for the port it was seen on.
  const { seen: _, ...build } = job.build;
  const hosts = [job.host, ...shopNow().hosts.filter((host) => host.id !== job.host.id)];
  const all = hosts.flatMap((host) =>
    host.ports.map((port) => ({
      key: `${host.id}/${port.id}`,
      name: `${host === job.host ? 'Same parts, other port' : host.name}: ${port.position}`,
      path: { host, build: { ...build, port: port.id } },
    })),
  );
  return all.filter(
    ({ path }) =>
      !(path.host === job.host && path.build.port === build.port) &&
      pathOf({ machine: path.host, ...apart(path.build) }).blocked.length === 0,
  );
}

/** What a place's key stands for: `customer` for the machine as built, null for a path that is not described. */
export function pathAt(job: Job, key: string | null): Run['path'] {
  if (!job.build || key === null || key === 'none') return null;
  return key === 'customer' ? 'customer' : (placesOf(job).find((place) => place.key === key)?.path ?? null);
}
