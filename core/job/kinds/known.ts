import type { Activity, Keep, Move, Load } from './activity';
import { KEEP_TRAITS } from './keep/traits';
import { MOVE_TRAITS } from './move/traits';
import { LOAD_TRAITS } from './open/traits';
import { SCRATCH_TRAITS } from './scratch/traits';
import { STREAM_TRAITS } from './stream/traits';
import { ANSWERS, type Traits } from './traits';

/** Every kind of the job file: one that is missing does not compile. */
const KINDS: { [K in Activity['kind']]: Traits<Extract<Activity, { kind: K }>> } = {
  move: MOVE_TRAITS,
  stream: STREAM_TRAITS,
  open: LOAD_TRAITS,
  scratch: SCRATCH_TRAITS,
  keep: KEEP_TRAITS,
};
const known = new Map<string, unknown>(Object.entries(KINDS));

/** Makes another kind known. @returns how to take it out again */
export function registerTraits<A extends Activity>(id: string, traits: Traits<A>): () => void {
  known.set(id, traits);
  return () => known.delete(id);
}

/** What an activity is to all who deal with it. @throws RangeError for a kind nobody registered */
export function traitsOf<A extends Activity>({ kind }: Pick<A, 'kind'>): Traits<A> {
  const found = known.get(kind);
  if (!found) throw new RangeError(`Nothing is known of activities of the kind "${kind}".`);
  return found as Traits<A>;
}

/** Unit of the figure that answers an activity, and which way is better. */
export const answerOf = (activity: Activity) => ANSWERS[traitsOf(activity).answer];

/** Which way most of an activity's data goes. */
export const directionOf = (activity: Activity): 'read' | 'write' => traitsOf(activity).direction(activity);

type Maybe = Activity | null | undefined;

/** Whether it is timed as a copy, and has size, files and direction of one. */
export const isMove = (activity: Maybe): activity is Move =>
  !!activity && traitsOf(activity).timed === 'copy';

/** Whether it is timed as a load: by the clock alone, and the processor shares the time. */
export const isLoad = (activity: Maybe): activity is Load =>
  !!activity && traitsOf(activity).timed === 'load';

/** Whether it says what is kept on the device. */
export const isKept = (activity: Activity): activity is Keep => traitsOf(activity).keeps === true;

/** Whether its data goes one way at a stretch. */
export const flowsOneWay = (activity: Activity): boolean =>
  traitsOf(activity).requests === 'sequential' && !isKept(activity);

/** Whether it must never stall, and its answer is a margin. */
export const mustNotStall = (activity: Activity): boolean => traitsOf(activity).asks === 'no stall';

/** Whether a probability is asked of it: that nothing stalls, or that it is done within a target it has. */
export const isAsked = (activity: Activity): boolean =>
  mustNotStall(activity) || (activity.target !== null && traitsOf(activity).asks === 'target');
