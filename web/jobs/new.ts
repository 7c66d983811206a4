import { HOSTS } from '@kymar/core/demo';
import { VERSION, type Job } from '@kymar/core/job';

export const newId = (kind: string): string => `${kind}-${crypto.randomUUID().slice(0, 12)}`;

/** An empty job on the first host of the shop. */
export function newJob(): Job {
  const at = new Date().toISOString();
  return { kymarVersion: VERSION, id: newId('job'), revision: 1, title: 'New job', customer: '', created: at, changed: at, due: null, note: '', host: HOSTS[0]!, activities: [], serviceYears: { value: 5, source: { kind: 'practice' } }, build: null, forecasts: [], runs: [], decision: null };
}
