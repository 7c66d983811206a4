import { expose } from 'comlink';
import { compareBuilds, type Comparison } from '@kymar/core/compare';
import type { TransferForecast } from '@kymar/core/forecast';
import { repeatJob, type Plan } from '@kymar/core/forecast';
import { mends } from '@kymar/core/whatif';

/** A comparison without what cannot cross to the page: functions and draws stay here. */
export type Compared = Omit<Comparison, 'builds'> & { builds: (Omit<Comparison['builds'][number], 'forecast'> & { time: TransferForecast['time'] | null })[] };

/** What takes longer than a page may stand still. */
const work = {
  mends,
  days: (job: Plan, years: number) => repeatJob(job, { years }),
  compare: (job: Plan, activity: string, builds: Parameters<typeof compareBuilds>[2]): Compared => {
    const { builds: list, ...rest } = compareBuilds(job, activity, builds);
    return { ...rest, builds: list.map(({ forecast, ...b }) => ({ ...b, time: forecast?.time ?? null })) };
  },
};
export type Work = typeof work;
expose(work);
