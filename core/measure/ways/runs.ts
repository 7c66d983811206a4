import type { Run } from '../../job';
import type { Purpose } from './common';
import { COPY_WAY } from './copy/runs';
import { FILES_WAY } from './files/runs';
import { PROBE_WAY } from './probe/runs';
import { RANDOM_WAY } from './random/runs';
import { READ_WAY } from './read/runs';
import type { EndEvent, KeptRun, RunRequest } from './requests';
import { SEQUENTIAL_WAY } from './sequential/runs';
import { STEADY_WAY } from './steady/runs';
import { WATCH_WAY } from './watch/runs';
import type { Came, WayToMeasure } from './way';

type Kind = RunRequest['kind'];

/** Every way there is: one that is missing does not compile. */
const WAYS = {
  sequential: SEQUENTIAL_WAY,
  random: RANDOM_WAY,
  steady: STEADY_WAY,
  probe: PROBE_WAY,
  copy: COPY_WAY,
  files: FILES_WAY,
  read: READ_WAY,
  watch: WATCH_WAY,
} satisfies { [K in Kind]: unknown };
const wayOf = WAYS as unknown as Record<Kind, WayToMeasure<Kind, EndEvent['type']>>;

/** A way that is not of this house, e.g. a test's. @returns what takes it back */
export function registerWay(kind: string, way: WayToMeasure<never, never>): () => void {
  const ways = wayOf as Record<string, unknown>;
  ways[kind] = way;
  return () => delete ways[kind];
}

/** The runs that what the server measured comes to; none of an end that is not its way's. */
export function runsOfReal(
  kept: KeptRun,
  end: EndEvent,
  purpose: Purpose,
  { path, activity }: Pick<Came<Kind, never>, 'path' | 'activity'>,
): Run[] {
  const way = wayOf[kept.request.kind];
  return way.ends === end.type ? way.runs({ kept, end, purpose, path, activity }) : [];
}
