import type { Run } from './run';
import type { Job } from './job';

/** What makes a path physically another one: other parts, another port, another machine. Better known figures of the same parts do not. */
function identity({ host, build }: Pick<Job, 'host' | 'build'>): string {
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
export const samePath = (a: Pick<Job, 'host' | 'build'>, b: Pick<Job, 'host' | 'build'>): boolean =>
  identity(a) === identity(b);

/**
 * The job with another host or build. Runs measured on the customer's machine "as built" were measured on the old one: where the path
 * becomes physically another, they keep what they were measured on by value.
 */
export function rebuild(job: Job, part: Partial<Pick<Job, 'host' | 'build'>>): Job {
  const next = { ...job, ...part };
  if (!job.build || samePath(job, next)) return next;
  const old: Run['path'] = { host: job.host, build: job.build };
  return { ...next, runs: job.runs.map((run) => (run.path === 'customer' ? { ...run, path: old } : run)) };
}
