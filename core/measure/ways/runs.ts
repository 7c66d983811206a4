import type { Run } from '../../job';
import type { Purpose } from './common';
import { COPY } from './copy/runs';
import { FILES } from './files/runs';
import { PROBE } from './probe/runs';
import { RANDOM } from './random/runs';
import { READ } from './read/runs';
import type { EndEvent, KeptRun, RunRequest } from './requests';
import { SEQUENTIAL } from './sequential/runs';
import { STEADY } from './steady/runs';
import { WATCH } from './watch/runs';
import type { Came, Way } from './way';

type Kind = RunRequest['kind'];

/** Every way there is: one that is missing does not compile. */
const WAYS = {
  sequential: SEQUENTIAL,
  random: RANDOM,
  steady: STEADY,
  probe: PROBE,
  copy: COPY,
  files: FILES,
  read: READ,
  watch: WATCH,
} satisfies { [K in Kind]: unknown };
const wayOf = WAYS as unknown as Record<Kind, Way<Kind, EndEvent['type']>>;

/** A way that is not of this house, e.g. a test's. @returns what takes it back */
export function registerWay(kind: string, way: Way<never, never>): () => void {
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
