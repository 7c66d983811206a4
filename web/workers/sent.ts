import type { Job } from '@kymar/core/job';
import { revisionOf } from '../state/revision';

/*
 * How jobs are named to a worker, and found again there: itself goes only what it does not hold in that revision. Both ends let go of what is not
 * asked about any more, so that a job that is brought back is sent again.
 */

/** A job as the page names it: by id and revision, the job itself only where the worker does not hold that one. */
export interface Sent {
  id: string;
  revision: number;
  job?: Job;
}

/** Lets go of all that nobody names any more. */
function keepOnly(known: Map<string, unknown>, named: readonly { id: string }[]): void {
  const ids = new Set(named.map(({ id }) => id));
  for (const id of known.keys()) if (!ids.has(id)) known.delete(id);
}

/** Jobs as they are named to a worker. @param holds the revisions it holds by now, by id; brought up to date */
export function sentTo(holds: Map<string, number>, jobs: readonly Job[]): Sent[] {
  keepOnly(holds, jobs);
  return jobs.map((job) => {
    const revision = revisionOf(job) as number;
    if (holds.get(job.id) === revision) return { id: job.id, revision };
    holds.set(job.id, revision);
    return { id: job.id, revision, job };
  });
}

/**
 * The jobs of a question, each the same object for as long as it does not change: what was worked out of it stays known.
 * @param held what the worker holds, by id; brought up to date
 */
export function jobsOf(held: Map<string, Job>, sent: readonly Sent[]): Job[] {
  for (const { id, job } of sent) if (job) held.set(id, job);
  keepOnly(held, sent);
  return sent.map(({ id }) => held.get(id)!);
}
