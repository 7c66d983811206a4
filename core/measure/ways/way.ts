import type { Activity, Run } from '../../job';
import type { Purpose } from './common';
import type { EndEvent, KeptRun, RunRequest } from './requests';

type Request<K extends RunRequest['kind']> = Extract<RunRequest, { kind: K }>;

/** What a run came to, and what it was for. */
export interface Came<K extends RunRequest['kind'], T extends EndEvent['type']> {
  kept: Pick<KeptRun, 'id' | 'at'> & { request: Request<K> };
  end: Extract<EndEvent, { type: T }>;
  purpose: Purpose;
  /** What the purpose's place stands for. */
  path: Run['path'];
  /** What it stands for; null: a synthetic run. */
  activity: Activity | null;
}

/**
 * A way to measure: how its end is told, and the runs that comes to. Their ids follow from the run's own: kept twice, by two tabs or after a restart,
 * they are the same ones.
 */
export interface WayToMeasure<K extends RunRequest['kind'], T extends EndEvent['type']> {
  ends: T;
  runs(came: Came<K, T>): Run[];
}
