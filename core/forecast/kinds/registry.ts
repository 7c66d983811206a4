import type { Activity } from '../../job';
import { KEEP } from './keep';
import type { Kind } from './kind';
import { MOVE } from './move';
import { OPEN } from './open';
import { SCRATCH } from './scratch';
import { STREAM } from './stream';

/** Every kind of the job file: one that is missing does not compile. */
const KINDS: { [K in Activity['kind']]: Kind<Extract<Activity, { kind: K }>> } = {
  move: MOVE,
  stream: STREAM,
  open: OPEN,
  scratch: SCRATCH,
  keep: KEEP,
};
const known = new Map<string, unknown>(Object.entries(KINDS));

/** Makes another kind of activity known to the models. @returns how to take it out again */
export function registerKind<A extends Activity>(id: string, kind: Kind<A>): () => void {
  known.set(id, kind);
  return () => known.delete(id);
}

/** What an activity is to the models. @throws RangeError for a kind nobody registered */
export function kindOf<A extends Activity>(activity: A): Kind<A> {
  const found = known.get(activity.kind);
  if (!found) throw new RangeError(`Nothing is known of activities of the kind "${activity.kind}".`);
  return found as Kind<A>;
}
