import type { Activity } from '../../job';
import { KEEP_MODEL } from './keep';
import type { KindModel } from './kind';
import { MOVE_MODEL } from './move';
import { LOAD_MODEL } from './open';
import { SCRATCH_MODEL } from './scratch';
import { STREAM_MODEL } from './stream';

/** Every kind of the job file: one that is missing does not compile. */
const KINDS: { [K in Activity['kind']]: KindModel<Extract<Activity, { kind: K }>> } = {
  move: MOVE_MODEL,
  stream: STREAM_MODEL,
  open: LOAD_MODEL,
  scratch: SCRATCH_MODEL,
  keep: KEEP_MODEL,
};
const known = new Map<string, unknown>(Object.entries(KINDS));

/** Makes another kind of activity known to the models. @returns how to take it out again */
export function registerKind<A extends Activity>(id: string, kind: KindModel<A>): () => void {
  known.set(id, kind);
  return () => known.delete(id);
}

/** What an activity is to the models. @throws RangeError for a kind nobody registered */
export function kindOf<A extends Activity>(activity: A): KindModel<A> {
  const found = known.get(activity.kind);
  if (!found) throw new RangeError(`Nothing is known of activities of the kind "${activity.kind}".`);
  return found as KindModel<A>;
}
