import type { Job, Run } from '../job';
import { ASSUMED_SCATTER, PRESS } from '../measure';
import { deviation, mean, median } from '../stats';
import { verdict } from '../verdict';
import { isSound } from './sound';

/** What times by thumb show beside what a device's counters said of the same. */
export interface LearnedThumb {
  /** s by which times come out longer than they were: the stop lags by so much more than the start. */
  late: number;
  /** One sigma of a press, in s. */
  spread: number;
  /** Times that were taken both ways, and the jobs they were taken in. */
  times: number;
  jobs: number;
}

/** What is assumed of a press counts as much as so many times [memory]. */
const PRIOR_TIMES = 3;
/** Fewer times say nothing. */
const TIMES = 3;
/** Runs that scatter more than so many times what a thumb is assumed to, say nothing of one. */
const STEADY = 3;
/** Two presses in one sigma of a time. */
const TWO = Math.SQRT2;
/** From the middle distance to one sigma. */
const NORMAL = 1.4826;

/** A time by thumb against what was counted, in s, and one sigma of what the runs themselves differ by. */
interface Off {
  job: string;
  off: number;
  scatter: number;
}

const timeOf = ({ measure }: Run): number[] =>
  measure.kind === 'timed' && measure.correction === 0 ? [measure.seconds] : [];

/** Every time by thumb of an accepted job that counters timed too. */
function offsOf(job: Job): Off[] {
  if (job.decision?.kind !== 'accept') return [];
  return verdict(job)
    .claims.filter(isSound)
    .flatMap(({ measured }): Off[] => {
      const by = (...sources: Run['source'][]) =>
        measured!.runs.filter(({ source }) => sources.includes(source)).flatMap(timeOf);
      const [pressed, counted] = [by('stopwatch'), by('real', 'watched')];
      if (counted.length === 0) return [];
      const middle = mean(counted);
      const one = counted.length > 2 ? deviation(counted) : ASSUMED_SCATTER * middle;
      const scatter = one * Math.sqrt(1 + 1 / counted.length);
      return scatter > STEADY * TWO * PRESS
        ? []
        : pressed.map((seconds) => ({ job: job.id, off: seconds - middle, scatter }));
    });
}

/**
 * A person's thumb, from times that the device's counters took as well: how late they stop beside how they start, and how much a press differs from the
 * next. Drawn towards what is assumed as long as there are few; one far off does not count.
 * @returns null where fewer than three times were taken both ways
 */
export function thumbFromJobs(jobs: readonly Job[]): LearnedThumb | null {
  const offs = jobs.flatMap(offsOf);
  if (offs.length < TIMES) return null;
  const late = median(offs.map(({ off }) => off));
  const around = NORMAL * median(offs.map(({ off }) => Math.abs(off - late)));
  const runs = median(offs.map(({ scatter }) => scatter));
  const press = Math.max(0, around ** 2 - runs ** 2) / 2;
  const spread = Math.sqrt((PRIOR_TIMES * PRESS ** 2 + offs.length * press) / (PRIOR_TIMES + offs.length));
  return { late, spread, times: offs.length, jobs: new Set(offs.map(({ job }) => job)).size };
}
