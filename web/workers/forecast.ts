import { expose } from 'comlink';
import { freeze, sheetOf } from '@kymar/core/forecast';

/** What a forecast takes, whole. A worker of its own: a slider does not wait behind the years or a comparison. */
const forecast = { sheet: sheetOf, freeze };
export type Forecasting = typeof forecast;
expose(forecast);
