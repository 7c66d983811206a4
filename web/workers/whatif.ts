import { expose } from 'comlink';
import { compareBuilds, type Comparison } from '@kymar/core/choice/compare';
import type { Estimate } from '@kymar/core/evidence';
import { repeatJob, type Plan } from '@kymar/core/forecast';
import type { Drive, Shop } from '@kymar/core/catalog/parts';
import { mends, withDrives, type Plan as Setting } from '@kymar/core/choice/whatif';

/** A comparison without what cannot cross to the page: functions and draws stay here. */
export type Compared = Omit<Comparison, 'builds'> & {
  builds: (Omit<Comparison['builds'][number], 'forecast'> & {
    figure: Estimate | null;
    probability: number | null;
  })[];
};

/** What takes longer than a page may stand still. */
const work = {
  mends,
  days: (job: Plan, years: number) => repeatJob(job, { years }),
  compare: (job: Setting, shop: Shop, activity: string, drives: readonly Drive[]): Compared => {
    const { builds: list, ...rest } = compareBuilds(job, activity, withDrives(job, shop, drives, activity));
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
