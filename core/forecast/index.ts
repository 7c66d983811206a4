export { forecastTransfer, type TransferForecast, type TransferTask, type ProfilePoint } from './forecast';
export { forecastJob, pathOf, freeze, isUntouched, isLife, exactFact, MODEL, type JobForecast, type ActivityForecast } from './job';
