import { isLoad, type Job } from '../job';
import { median } from '../stats';
import { verdict } from '../verdict';

/** Kinds of work whose forecasts are counted apart. */
export type RecordKind = 'writing' | 'reading' | 'loads';

/** How good frozen forecasts were of one kind of work. */
export interface RecordRow {
  kind: RecordKind;
  count: number;
  /** How many of the measured middles lay within the 90 % range. */
  held: number;
  /** Middle of how far the measured lay off the expected, as a share. */
  error: number;
}

/** How often frozen ranges held, and by how much the expected figure was off: of everything measured on what it was frozen for, nothing left out. */
export function recordOf(jobs: readonly Job[]): RecordRow[] {
  const found = new Map<RecordKind, { held: boolean; off: number }[]>();
  for (const job of jobs)
    for (const { simulated, measured, forecast, right } of verdict(job).claims) {
      if (simulated || !measured || measured.scattered || !forecast?.frozen) continue;
      if (right.answer === 'questioned' || measured.runs.some((run) => run.conditions.look)) continue;
      const [is, was] = measured.time ? [measured.time, forecast.time] : [measured.rate!, forecast.rate];
      if (!was || !Number.isFinite(is.high)) continue;
      const { activity, direction } = measured.runs[0]!;
      const timed = job.activities.find((a) => a.id === activity);
      const kind: RecordKind = isLoad(timed) ? 'loads' : direction === 'write' ? 'writing' : 'reading';
      const held = is.expected >= was.low && is.expected <= was.high;
      found.set(kind, [...(found.get(kind) ?? []), { held, off: Math.abs(is.expected / was.expected - 1) }]);
    }
  return [...found].map(([kind, list]) => ({
    kind,
    count: list.length,
    held: list.filter(({ held }) => held).length,
    error: median(list.map(({ off }) => off)),
  }));
}
