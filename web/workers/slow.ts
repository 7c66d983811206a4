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
import { jobsOf, type Sent } from './sent';

/** What a shop's jobs teach, and how good its frozen forecasts were. */
export interface Taught {
  rows: LearnedRow[];
  thumb: LearnedThumb | null;
  record: RecordRow[];
}

const held = new Map<string, Job>();

/** What may take a second: causes, years of days, what jobs teach, and what there is to buy. */
const slow = {
  ...choosing,
  diagnose,
  ownRates: (jobs: readonly Sent[]) => ownRates(jobsOf(held, jobs)),
  taught(jobs: readonly Sent[], shopRanges: OwnRanges): Taught {
    const list = jobsOf(held, jobs);
    return { rows: learnedFromJobs(list, shopRanges), thumb: thumbFromJobs(list), record: recordOf(list) };
  },
  days: (situation: Situation, years: number) => forecastDays(situation, { years }),
};
export type Slow = typeof slow;
expose(slow);
