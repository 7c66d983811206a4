import type { Layout } from '../models/arrays';
import { type Build } from '../build/assembly';
import { exactFact, formula, fromFact, given, type Estimate } from '../evidence';
import { filesOf, isMove, type Activity, type Job, type Move } from '../job';
import { asRevised, type Host } from '../catalog/parts';
import { buildPath, type Path } from '../build/path';
import { inputsOf, type Inputs, type Surroundings, type TransferTask } from './inputs';
import { STREAM_UNKNOWN } from './market';

/** The drives of a build as one, where they are put together. */
export function layoutOf(build: Build): Layout | undefined {
  return build.array && build.array.mode !== 'single'
    ? { ...build.array, members: build.together ?? 1 }
    : undefined;
}

/** The path of a build on a host, to its built-in drive or to another of its endpoints. @throws RangeError for a port or an endpoint the host has not */
export function pathOf(
  host: Host,
  { accessories: _, array: __, ...build }: Build,
  endpointId?: string,
): Path {
  const port = host.ports.find((p) => p.id === build.port);
  if (!port) throw new RangeError(`"${build.port}" is no port of ${host.name}.`);
  const endpoint = endpointId === undefined ? undefined : host.endpoints?.find((e) => e.id === endpointId);
  if (endpointId !== undefined && !endpoint)
    throw new RangeError(`"${endpointId}" is no endpoint of ${host.name}.`);
  return buildPath({ ...build, drive: asRevised(build.drive), port, host, endpoint });
}

/** A job as far as its forecast asks. */
export type Plan = Pick<Job, 'host' | 'build' | 'activities' | 'needs'> & Partial<Pick<Job, 'serviceYears'>>;

/** What surrounds a build's transfers. */
export const surroundingsOf = ({ build, needs }: Pick<Plan, 'build' | 'needs'>): Surroundings => ({
  fill: needs?.fill,
  ambient: needs?.ambient,
  accessories: build?.accessories,
  array: build ? layoutOf(build) : undefined,
});

/** The path that a build's transfers take: several drives as one share it as one. */
export const transferPath = (host: Host, build: Build, endpoint?: string): Path =>
  pathOf(host, layoutOf(build) ? { ...build, together: 1 } : build, endpoint);

/** What a move is to the models. */
export function taskOf(job: Plan, activity: Move): TransferTask {
  return {
    direction: activity.direction,
    bytes: activity.bytes,
    files: filesOf(activity),
    otherEnd: activity.itself ? 'itself' : 'storage',
    verify: activity.verify,
    surroundings: surroundingsOf(job),
  };
}

/** A move and what goes on at the same time. */
export function wholeTask(job: Plan, activity: Move): TransferTask {
  const besides = (activity.besides ?? []).flatMap((id) => {
    const other = job.activities.find((a) => a.id === id);
    return other && isMove(other)
      ? [taskOf(job, other)]
      : other?.kind === 'stream'
        ? [streamTask(job, other)]
        : [];
  });
  return { ...taskOf(job, activity), besides };
}

const manyTimes = formula({
  name: 'bytes of the streams',
  unit: 'B',
  inputs: { rate: 'rate of each', streams: 'streams', lasts: 'lasts' },
  of: (m, x) => m.mul(m.mul(x.rate, x.streams), x.lasts),
});

export function streamBytes(activity: Extract<Activity, { kind: 'stream' }>): Estimate {
  return manyTimes.explain({
    rate: fromFact('rate of each', activity.rate, 'B/s', STREAM_UNKNOWN.rate)!,
    streams: given('streams', activity.streams, 'count', { kind: 'entered' }),
    lasts: fromFact('lasts', activity.lasts, 's', STREAM_UNKNOWN.lasts)!,
  });
}

/** What a stream is to the models. */
export function streamTask(job: Plan, activity: Extract<Activity, { kind: 'stream' }>): TransferTask {
  const { low, expected, high } = streamBytes(activity);
  return {
    direction: activity.direction,
    bytes: { value: [low, expected, high], source: activity.rate.source },
    files: exactFact(activity.streams),
    otherEnd: 'memory',
    streams: activity.streams,
    surroundings: surroundingsOf(job),
  };
}

/** What a move of a job depends on, without running it; null while nothing is built or the path is blocked. */
export function inputsOfMove(job: Plan, activity: Move): Inputs | null {
  if (!job.build) return null;
  const path = transferPath(job.host, job.build, activity.endpoint);
  return path.blocked.length > 0 ? null : inputsOf(path, taskOf(job, activity));
}
