import { expose } from 'comlink';
import {
  learnedFromJobs,
  recordOf,
  thumbFromJobs,
  type LearnedRow,
  type LearnedThumb,
  type RecordRow,
} from '@kymar/core/calibration';
import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import { diagnose } from '@kymar/core/diagnosis';
import { forecastDays, type Situation } from '@kymar/core/forecast';
import type { Job } from '@kymar/core/job';
import { ownRates } from '@kymar/core/reference';
import { choosing } from './choice';

/** What a shop's jobs teach, and how good its frozen forecasts were. */
export interface Taught {
  rows: LearnedRow[];
  thumb: LearnedThumb | null;
  record: RecordRow[];
}

/** A job as the page names it here: by id and revision, the job itself only where this worker does not hold that one. */
export interface Sent {
  id: string;
  revision: number;
  job?: Job;
}

const held = new Map<string, { revision: number; job: Job }>();

/** The jobs of a question, each the same object for as long as it does not change: what was worked out of it stays known. */
function jobsOf(sent: readonly Sent[]): Job[] {
  for (const { id, revision, job } of sent) if (job) held.set(id, { revision, job });
  const named = new Set(sent.map(({ id }) => id));
  for (const id of held.keys()) if (!named.has(id)) held.delete(id);
  return sent.map(({ id }) => held.get(id)!.job);
}

/** What may take a second: causes, years of days, what jobs teach, and what there is to buy. */
const slow = {
  ...choosing,
  diagnose,
  ownRates: (jobs: readonly Sent[]) => ownRates(jobsOf(jobs)),
  taught(jobs: readonly Sent[], own: OwnRanges): Taught {
    const list = jobsOf(jobs);
    return { rows: learnedFromJobs(list, own), thumb: thumbFromJobs(list), record: recordOf(list) };
  },
  days: (situation: Situation, years: number) => forecastDays(situation, { years }),
};
export type Slow = typeof slow;
expose(slow);
