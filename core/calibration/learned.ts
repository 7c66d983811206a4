import { ASSUMPTIONS, assumedRange, type AssumptionId, type OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import { mean, median, Z90, type Spread } from '../stats';
import { classesFromJobs } from './classes';
import { lessonsOf, type Lesson } from './lesson';
import type { LearnedRow } from './row';

/** What is assumed counts as much as so many jobs [memory]. */
const PRIOR_JOBS = 3;
/** A value is set aside so many sigmas from the others' middle. */
const FAR = 3.5;
/** Of so few jobs the middle says nothing of one that lies far off: they are held against what is assumed. */
const FEW = 3;
const NORMAL = 1.4826;

/** So many jobs must show a link to carry as much: one alone may be a slip. */
const SHOWN_BY = 2;

/** What at least two jobs show a row to reach, a logarithm; null where fewer tell. */
function leastOf(bounds: readonly Lesson[]): number | null {
  const best = new Map<string, number>();
  for (const { job, log, sigma } of bounds) best.set(job, Math.max(best.get(job) ?? -Infinity, log - sigma));
  return [...best.values()].sort((a, b) => b - a)[SHOWN_BY - 1] ?? null;
}

/** A range that begins no lower than what was reached. */
function atLeast(range: Spread, least: number | null): Spread {
  if (least === null || Math.exp(least) <= range.low) return range;
  const low = Math.exp(least);
  const expected = Math.max(range.expected, low);
  return { low, expected, high: Math.max(range.high, expected) };
}

/** Values of one row, one for each job. */
function byJob(lessons: readonly Lesson[]): { log: number; sigma: number }[] {
  const jobs = new Map<string, Lesson[]>();
  for (const lesson of lessons) jobs.set(lesson.job, [...(jobs.get(lesson.job) ?? []), lesson]);
  return [...jobs.values()].map((list) => ({
    log: mean(list.map(({ log }) => log)),
    sigma: mean(list.map(({ sigma }) => sigma)),
  }));
}

function learnedOf(row: AssumptionId, lessons: readonly Lesson[], shopRanges: OwnRanges): LearnedRow {
  const prior = assumedRange(row, shopRanges);
  const before = Math.log(prior.expected);
  const width = Math.log(prior.high / prior.low) / (2 * Z90);
  const values = byJob(lessons.filter(({ tells }) => tells === 'value'));
  const bounds = lessons.filter(({ tells }) => tells === 'at least');
  const logs = values.map(({ log }) => log);
  const isFew = values.length < FEW;
  const center = isFew ? before : median(logs);
  const scatter = isFew ? width : NORMAL * median(logs.map((log) => Math.abs(log - center)));
  const near = values.filter(
    ({ log, sigma }) => Math.abs(log - center) <= FAR * Math.max(scatter, Math.hypot(width / 2, sigma)),
  );
  const weighed = near.map(({ log, sigma }) => ({ log, weight: 1 / (1 + (sigma / width) ** 2) }));
  const count = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const all = PRIOR_JOBS + count;
  const middle = (PRIOR_JOBS * before + weighed.reduce((sum, w) => sum + w.weight * w.log, 0)) / all;
  const spread =
    (PRIOR_JOBS * width ** 2 + weighed.reduce((sum, w) => sum + w.weight * (w.log - middle) ** 2, 0)) / all;
  const half = Z90 * Math.sqrt(spread * (1 + 1 / all));
  const most = ASSUMPTIONS[row].unit === 'ratio' ? 1 : Infinity;
  const at = (log: number) => Math.min(most, Math.exp(log));
  const learned =
    values.length > 0 ? { low: at(middle - half), expected: at(middle), high: at(middle + half) } : prior;
  const least = leastOf(bounds);
  return {
    row,
    prior,
    learned: atLeast(learned, least === null ? null : Math.min(least, Math.log(most))),
    jobs: near.length,
    bounds: new Set(bounds.map(({ job }) => job)).size,
    aside: values.length - near.length,
  };
}

/**
 * What accepted jobs teach of the rows that decided their times: drawn towards what is assumed as long as there are few, and one that lies far off the
 * others does not count. Links that did not decide learn how little they carry at least, where two jobs show it; drives whose cells nobody named, how common
 * their classes are.
 * @param shopRanges the shop's own ranges, without what was learned
 */
export function learnedFromJobs(jobs: readonly Job[], shopRanges?: OwnRanges): LearnedRow[] {
  const rows = new Map<AssumptionId, Lesson[]>();
  for (const job of jobs)
    for (const lesson of lessonsOf(job, shopRanges))
      rows.set(lesson.row, [...(rows.get(lesson.row) ?? []), lesson]);
  const decided = [...rows]
    .map(([row, lessons]) => learnedOf(row, lessons, shopRanges ?? {}))
    // A link that reached no more than it is assumed to teaches nothing.
    .filter(({ jobs: n, aside, learned, prior }) => n + aside > 0 || learned !== prior);
  return [...decided, ...classesFromJobs(jobs, shopRanges)].sort(
    (a, b) => b.jobs - a.jobs || a.row.localeCompare(b.row),
  );
}
