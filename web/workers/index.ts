import { wrap, type Remote } from 'comlink';
import type { DaysForecast, JobSheet, Plan as ForecastPlan } from '@kymar/core/forecast';
import type { Direction } from '@kymar/core/links';
import type { Drive, Shop } from '@kymar/core/parts';
import type { Mend, Plan } from '@kymar/core/whatif';
import type { Forecasting } from './forecast';
import type { Compared, Work } from './whatif';

export type { Compared };

let worker: Remote<Work> | null = null;
/** Started when first asked, and kept. */
const whatif = (): Remote<Work> => (worker ??= wrap<Work>(new Worker(new URL('./whatif.ts', import.meta.url), { type: 'module' })));

/** Changes that help a path, worked out in a worker. */
export const mendsOf = (plan: Plan, shop: Shop, direction: Direction): Promise<Mend[]> => whatif().mends(plan, shop, direction);

/** A job's days lived through, in a worker. */
export const daysOf = (job: ForecastPlan, years: number): Promise<DaysForecast | null> => whatif().days(job, years);

/** A job's build held against it with other drives, in a worker. @throws RangeError for what cannot be compared */
export const comparisonOf = (job: Plan, shop: Shop, activity: string, drives: readonly Drive[]): Promise<Compared> => whatif().compare(job, shop, activity, drives);

let forecasting: Remote<Forecasting> | null = null;
/** A job's forecast with its bands, in a worker of its own. */
export const sheetFor = (job: ForecastPlan): Promise<JobSheet | null> => (forecasting ??= wrap<Forecasting>(new Worker(new URL('./forecast.ts', import.meta.url), { type: 'module' }))).sheet(job);
