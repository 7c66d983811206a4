import { forecastJob, pathOf, type JobForecast } from '@kymar/core/forecast';
import { stages, type Job, type StageState } from '@kymar/core/job';
import type { Path } from '@kymar/core/path';
import { verdict, type Verdict } from '@kymar/core/verdict';

/** Remembers the last answers by the identity of what they are made from; jobs are never changed in place. */
function remembered<K extends readonly unknown[], V>(make: (...key: K) => V, most = 40): (...key: K) => V {
  const kept: { key: K; value: V }[] = [];
  return (...key) => {
    const had = kept.find((entry) => entry.key.every((part, i) => part === key[i]));
    if (had) return had.value;
    const entry = { key, value: make(...key) };
    kept.unshift(entry);
    kept.length = Math.min(kept.length, most);
    return entry.value;
  };
}

const path = remembered((host: Job['host'], build: NonNullable<Job['build']>): Path => pathOf(host, build));
const forecast = remembered((host: Job['host'], build: Job['build'], activities: Job['activities']): JobForecast | null => forecastJob({ host, build, activities }));
const judged = remembered((job: Job): Verdict => verdict(job));

export const pathOfJob = (job: Job): Path | null => (job.build ? path(job.host, job.build) : null);
export const forecastOf = (job: Job): JobForecast | null => forecast(job.host, job.build, job.activities);
export const verdictOf = (job: Job): Verdict => judged(job);

export function stagesOf(job: Job): StageState[] {
  const found = verdictOf(job);
  return stages(job, { blocked: (pathOfJob(job)?.blocked.length ?? 0) > 0, unmet: found.answer === 'falls short' || found.claims.some((c) => !c.simulated && c.right.answer === 'short') });
}
