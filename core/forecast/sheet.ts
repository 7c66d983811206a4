import type { Activity } from '../job';
import type { Estimate } from '../evidence';
import { forecastJob, type JobForecast } from './job';
import type { Plan } from './task';
import type { ProfilePoint, Sway, TransferForecast } from './transfer';

/** A move's course as plain data: what crosses from a worker to a page. */
export type CourseSheet = Pick<
  TransferForecast,
  'bar' | 'phases' | 'stretches' | 'causes' | 'hottest' | 'energy'
> & { profile: { speed: ProfilePoint[]; warmth: ProfilePoint[] | null }; decides: Sway[] };

export interface ActivitySheet {
  activity: Activity;
  figure: Estimate;
  rate: Estimate | null;
  probability: number | null;
  more: Estimate[];
  course: CourseSheet | null;
}

/** A job's forecast as plain data, bands and ranking made. */
export type JobSheet = Pick<JobForecast, 'life' | 'workload' | 'array' | 'format' | 'copies'> & {
  activities: ActivitySheet[];
};

/** {@link forecastJob}, whole and as plain data; null while nothing is built or the path is blocked. */
export function sheetOf(job: Plan): JobSheet | null {
  const found = forecastJob(job);
  if (!found) return null;
  const { path: _, activities, ...rest } = found;
  return {
    ...rest,
    activities: activities.map(({ course, ...activity }) => {
      if (!course) return { ...activity, course };
      const { bar, phases, stretches, causes, hottest, energy } = course;
      return {
        ...activity,
        course: {
          bar,
          phases,
          stretches,
          causes,
          hottest,
          energy,
          profile: course.profile(),
          decides: course.decides(),
        },
      };
    }),
  };
}
