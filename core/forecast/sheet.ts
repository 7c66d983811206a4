import type { ActivityForecast, JobForecast } from './job';
import { forecastAll } from './job';
import type { Situation } from './case';
import type { ProfilePoint, Sensitivity, TransferForecast } from './transfer';

/** A move's course as plain data: what crosses from a worker to a page. */
export type CourseSheet = Pick<
  TransferForecast,
  'bar' | 'phases' | 'stretches' | 'causes' | 'hottest' | 'energy'
> & { profile: { speed: ProfilePoint[]; warmth: ProfilePoint[] | null }; drivers: Sensitivity[] };

export type ActivitySheet = Omit<ActivityForecast, 'course'> & { course: CourseSheet | null };

/** A situation's forecast as plain data, bands and ranking made. */
export type JobSheet = Omit<JobForecast, 'path' | 'activities'> & { activities: ActivitySheet[] };

/** {@link forecastAll}, whole and as plain data; null where the path is blocked. */
export function sheetOf(situation: Situation): JobSheet | null {
  const found = forecastAll(situation);
  if (!found) return null;
  const { path: _, activities, ...rest } = found;
  return {
    ...rest,
    activities: activities.map((a) => ({ ...a, course: a.course && courseSheet(a.course) })),
  };
}

function courseSheet(course: TransferForecast): CourseSheet {
  const { bar, phases, stretches, causes, hottest, energy } = course;
  const [profile, drivers] = [course.profile(), course.drivers()];
  return { bar, phases, stretches, causes, hottest, energy, profile, drivers };
}
