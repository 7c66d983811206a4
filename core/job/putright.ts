import type { Job } from './job';
import type { Run } from './run';

/** A cause that was found and put right. */
export type PutRight = NonNullable<Job['found']>[number];

/** Whether a run is set aside where what it measured is put right. */
const counts = (run: Run): boolean => !run.excluded && run.source !== 'simulated';

/** Runs that are set aside where what they measured is put right, or that were for one cause. */
export const runsBefore = (job: Job, one?: PutRight): Run[] =>
  one ? job.runs.filter(({ excluded }) => excluded?.at === one.at) : job.runs.filter(counts);

/** The job with a cause put right: what was measured until then is set aside with it as the reason, tests for a cause end. */
export function putRight(job: Job, one: PutRight): Job {
  // Its moment is that of the cause: by it these runs are found again.
  const excluded = { at: one.at, reason: `Before it was put right: ${one.title}.`.slice(0, 400) };
  return {
    ...job,
    runs: job.runs.map((run) => (counts(run) ? { ...run, excluded } : run)),
    found: [...(job.found ?? []), one],
    tests: [],
  };
}

/** The job as if it had not been put right: exactly the runs that were set aside for it count again, whatever came since. */
export function takeBack(job: Job, one: PutRight): Job {
  const before = new Set(runsBefore(job, one).map(({ id }) => id));
  return {
    ...job,
    runs: job.runs.map((run) => {
      if (!before.has(run.id)) return run;
      const { excluded: _, ...rest } = run;
      return rest;
    }),
    found: (job.found ?? []).filter((other) => other.at !== one.at || other.cause !== one.cause),
  };
}
