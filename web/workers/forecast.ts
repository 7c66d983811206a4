import { expose } from 'comlink';
import { caseOf, contentsOn, freeze, sheetOf, type Situation } from '@kymar/core/forecast';
import { worthFinding, type WorthFinding } from '@kymar/core/forecast/worth';

/** What a forecast takes, whole. A worker of its own: a slider does not wait behind the years or a comparison. */
const forecast = {
  sheet: sheetOf,
  contents: contentsOn,
  freeze,
  worth: (situation: Situation, sure: number): WorthFinding[] =>
    situation.work.flatMap((activity) => worthFinding(caseOf(situation, activity.id), sure) ?? []),
};
export type Forecasting = typeof forecast;
expose(forecast);
