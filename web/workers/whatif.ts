import { expose } from 'comlink';
import { compareBuilds, type Comparison } from '@kymar/core/choice/compare';
import type { Estimate } from '@kymar/core/evidence';
import { forecastDays, type Situation } from '@kymar/core/forecast';
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
import type { Job } from '@kymar/core/job';
import type { Drive, Shop } from '@kymar/core/catalog/parts';
import { ownRates } from '@kymar/core/reference';
import { verdict } from '@kymar/core/verdict';
import { fixes, withDrives } from '@kymar/core/choice/whatif';

/** A comparison without what cannot cross to the page: functions and draws stay here. */
export type Compared = Omit<Comparison, 'builds'> & {
  builds: (Omit<Comparison['builds'][number], 'forecast'> & {
    figure: Estimate | null;
    probability: number | null;
  })[];
};

/** What a shop's jobs teach, and how good its frozen forecasts were. */
export interface Taught {
  rows: LearnedRow[];
  thumb: LearnedThumb | null;
  record: RecordRow[];
}

/** What takes longer than a page may stand still. */
const work = {
  fixes,
  verdict,
  diagnose,
  ownRates,
  taught: (jobs: readonly Job[], own: OwnRanges): Taught => ({
    rows: learnedFromJobs(jobs, own),
    thumb: thumbFromJobs(jobs),
    record: recordOf(jobs),
  }),
  days: (situation: Situation, years: number) => forecastDays(situation, { years }),
  compare: (situation: Situation, shop: Shop, activity: string, drives: readonly Drive[]): Compared => {
    const { builds: list, ...rest } = compareBuilds(
      situation,
      activity,
      withDrives(situation, shop, drives, activity),
    );
    return {
      ...rest,
      builds: list.map(({ forecast, ...b }) => ({
        ...b,
        figure: forecast?.figure ?? null,
        probability: forecast?.probability ?? null,
      })),
    };
  },
};
export type Work = typeof work;
expose(work);
