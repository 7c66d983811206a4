import { expose } from 'comlink';
import { sheetOf, type Plan } from '@kymar/core/forecast';

/** A job's forecast, whole. A worker of its own: a slider does not wait behind the years or a comparison. */
const forecast = { sheet: (job: Plan) => sheetOf(job) };
export type Forecasting = typeof forecast;
expose(forecast);
