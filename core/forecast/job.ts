import { recordersFor, type Estimate } from '../evidence';
import type { Path } from '../assembly';
import { lacking } from '../models';
import type { Answer } from './kinds/kind';
import type { Activity } from '../job';
import { forecast, pathFor } from './answer';
import { forecastArray, type ArrayForecast } from './array';
import { caseOf, pathOf, type Situation } from './case';
import { besideToday } from './today';
import { passTotal } from './pass';
import { inTurn, type FirstTask } from './tasks';
import { formatOn } from './format';
import { lasting, type Lasting } from './lasting';
import { lifeOn, workloadOn, type LifeForecast } from './wear';

/** An activity with its answer. */
export type ActivityForecast = Answer & {
  activity: Activity;
  /** What it comes to beside what it takes today; null where nobody said what that is, or it is no time. */
  today: string | null;
};

/** Everything forecast of a situation. */
export interface JobForecast {
  path: Path;
  activities: ActivityForecast[];
  life: LifeForecast;
  /** What is told of it; null where nothing is rated, written or known. */
  lasting: Lasting | null;
  /** Of a disk: share of its yearly workload rating in use. */
  workload: Estimate | null;
  /** What several drives as one come to; null for drives each for itself. */
  array: ArrayForecast | null;
  /** Of a disk: time of a full format or another pass over all of it; of one that goes on or is over, by what was seen of it. */
  format: Estimate | null;
  /** What the planned copies lack; null where none are planned. */
  copies: string[] | null;
  /** What is done first, one after another. */
  tasks: FirstTask[];
}

/** Everything forecast of a situation; null where the path is blocked. */
export function forecastAll(situation: Situation): JobForecast | null {
  const path = pathOf(situation);
  if (path.blocked.length > 0) return null;
  const activities = situation.activities.map((activity) => {
    const of = caseOf(situation, activity.id);
    const answer = forecast(of, activity.endpoint === undefined ? path : pathFor(of));
    const today = besideToday(activity, answer.figure.unit === 's' ? answer.figure : null);
    return { activity, today, ...answer };
  });
  const { copies = [] } = situation.needs;
  const life = lifeOn(situation, path);
  const { pass, needs } = situation;
  const format = passTotal(pass) ?? formatOn(situation, path);
  return {
    path,
    activities,
    life,
    lasting: lasting(situation, life),
    workload: workloadOn(situation, path),
    array: forecastArray(recordersFor(situation.shopRanges).explaining, situation),
    format,
    tasks: inTurn(activities, needs.formatFirst || pass ? format : null),
    copies: copies.length > 0 ? lacking(copies) : null,
  };
}
