import { addMachine, VERSION, type Job } from '@kymar/core/job';
import type { Host } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';

/** An empty job, or one on a machine that is known already. */
export function newJob(host?: Host): Job {
  const at = new Date().toISOString();
  const job: Job = {
    kymarVersion: VERSION,
    id: newId('job'),
    revision: 1,
    title: 'New job',
    customer: '',
    created: at,
    changed: at,
    due: null,
    note: '',
    machines: [],
    devices: [],
    connections: [],
    activities: [],
    serviceYears: { value: 5, source: { kind: 'practice' } },
    forecasts: [],
    runs: [],
    decision: null,
  };
  return host ? addMachine(job, host) : job;
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
