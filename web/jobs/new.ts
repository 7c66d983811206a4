import { SHOP } from '@kymar/core/catalog/stock';
import { VERSION, type Job } from '@kymar/core/job';
import type { Host } from '@kymar/core/catalog/parts';

export const newId = (kind: string): string => `${kind}-${crypto.randomUUID().slice(0, 12)}`;

/** An empty job on a host of the shop. */
export function newJob(host: Host = SHOP.hosts[0]!): Job {
  const at = new Date().toISOString();
  return {
    kymarVersion: VERSION,
    id: newId('job'),
    revision: 1,
    title: 'New job',
    customer: '',
    created: at,
    changed: at,
    due: null,
    note: '',
    host,
    activities: [],
    serviceYears: { value: 5, source: { kind: 'practice' } },
    build: null,
    forecasts: [],
    runs: [],
    decision: null,
  };
}

/** The same brief and parts as a job of its own: what was frozen, measured and decided stays with the first. */
export function copyOf(job: Job): Job {
  const at = new Date().toISOString();
  const { chain: _, ...rest } = job;
  return {
    ...rest,
    id: newId('job'),
    revision: 1,
    title: `${job.title.slice(0, 150)}, copy`,
    created: at,
    changed: at,
    due: null,
    forecasts: [],
    runs: [],
    decision: null,
  };
}
