import { apart, type Build } from '../assembly';
import type { Host } from '../catalog/parts';
import type { Job } from './job';
import { briefAt, samePlace, type Brief, type Place } from './place';
import type { Run } from './run';

type Path = Pick<Brief, 'host' | 'build'>;

/** What makes a path physically another one: other parts, another port, another machine. Better known figures of the same parts do not. */
function identity({ host, build }: Path): string {
  return JSON.stringify([
    host.id,
    build && [
      build.drive.id,
      build.bridge?.id,
      build.cable?.id,
      build.port,
      build.hops?.map((hop) => [hop.hub.id, hop.port, hop.cable.id]),
      build.together ?? 1,
    ],
  ]);
}

/** Whether two are physically the same path. */
export const samePath = (a: Path, b: Path): boolean => identity(a) === identity(b);

/**
 * The changed job with the runs that were made at places which are now physically others, or gone: they keep what they were made on by
 * value.
 */
export function keepingRuns(before: Job, after: Job): Job {
  const known = new Map<string, Run['path']>();
  const pathNow = (place: Place): Run['path'] => {
    const key = `${place.machine} ${place.device}`;
    if (!known.has(key)) known.set(key, pathOf(place));
    return known.get(key)!;
  };
  const pathOf = (place: Place): Run['path'] => {
    const [was, is] = [briefAt(before, place), briefAt(after, place)];
    const isThere = is !== null && after.devices.some((d) => d.id === place.device);
    if (isThere && (!was?.build || samePath(was, is))) return place;
    return was?.build ? { host: was.host, build: was.build } : null;
  };
  let kept = true;
  const runs = after.runs.map((run) => {
    if (!run.path || !('machine' in run.path)) return run;
    const path = pathNow(run.path);
    if (path && 'machine' in path) return run;
    kept = false;
    return { ...run, path };
  });
  return kept ? after : { ...after, runs };
}

/** A list with one of it replaced, or added where it is new. */
const put = <T>(list: readonly T[], isIt: (item: T) => boolean, item: T): T[] =>
  list.some(isIt) ? list.map((old) => (isIt(old) ? item : old)) : [...list, item];

/** The job with other parts at one of its places, or other ways in which they hang there; null takes the connection away. */
export function withBuild(job: Job, place: Place, build: Build | null): Job {
  const here = (c: Place) => samePlace(c, place);
  if (!build) return keepingRuns(job, { ...job, connections: job.connections.filter((c) => !here(c)) });
  const { device: parts, connection } = apart(build);
  const isIt = ({ id }: { id: string }) => id === place.device;
  const old = job.devices.find(isIt) ?? { id: place.device, name: '', parts };
  return keepingRuns(job, {
    ...job,
    devices: put(job.devices, isIt, { ...old, parts }),
    connections: put(job.connections, here, { machine: place.machine, device: place.device, ...connection }),
  });
}

/** The job with another host in the place of one of its machines. What hung on a port that it has not hangs on its first. */
export function withHost(job: Job, machine: string, host: Host): Job {
  const port = (id: string) => (host.ports.some((p) => p.id === id) ? id : host.ports[0]!.id);
  return keepingRuns(job, {
    ...job,
    machines: job.machines.map((m) => (m.id === machine ? { ...m, host } : m)),
    connections: job.connections.map((c) => (c.machine === machine ? { ...c, port: port(c.port) } : c)),
  });
}
