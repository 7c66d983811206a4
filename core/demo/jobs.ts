import { witness, type FrozenForecast, type Job } from '../job';
import frozen from './frozen.json' with { type: 'json' };
import jobs from './jobs.json' with { type: 'json' };

const [OFFLOAD, SCANS, BAY, ARCHIVE, SECOND] = jobs as unknown as [Job, Job, Job, Job, Job];

/** Ids of the demo's jobs: what "remove the demo" removes. */
export const DEMO_IDS = jobs.map(({ id }) => id);

/**
 * The jobs of the demo, as job files hold them: an acoustics survey's offload, finished up to the verdict; a herbarium's scans, a simulator's bay and
 * an archive on two machines, each as far as their brief; a second team's disk, stuck on a wrong port. Its forecasts are shipped frozen, as the models
 * in force make them: a test compares, and reads all of it by the ordinary reader.
 */
export function demoJobs(): Job[] {
  const first = frozen.offload as unknown as FrozenForecast;
  const made = [
    { ...OFFLOAD, forecasts: [first] },
    SCANS,
    BAY,
    ARCHIVE,
    { ...SECOND, forecasts: [secondFrozen(first)] },
  ];
  return made.map((job) => witness(null, job, job.changed));
}

/** What was frozen for the second team: the same set and the same work give the same results, but for what is shipped of it. */
function secondFrozen({ results, ...first }: FrozenForecast): FrozenForecast {
  const { results: own, ...rest } = frozen.second;
  return {
    ...first,
    ...rest,
    results: own.map((changed, i) => ({ ...results[i], ...changed })),
  } as unknown as FrozenForecast;
}
