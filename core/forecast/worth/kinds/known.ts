import type { Activity } from '../../../job';
import { pathFor } from '../../answer';
import type { Case } from '../../case';
import type { OpenQuestions, Opening } from './kind';
import { MOVE_OPENING } from './move';
import { LOAD_OPENING } from './open';
import { SCRATCH_OPENING } from './scratch';
import { STREAM_OPENING } from './stream';

export type { OpenQuestions, Test, WorthId } from './kind';

/** How each kind is drawn: data that only stays is met or not without a probability. */
const KINDS: { [K in Activity['kind']]: Opening<Extract<Activity, { kind: K }>> | null } = {
  move: MOVE_OPENING,
  stream: STREAM_OPENING,
  open: LOAD_OPENING,
  scratch: SCRATCH_OPENING,
  keep: null,
};
const known = new Map<string, unknown>(Object.entries(KINDS));

/** Makes known how another kind is drawn. @returns how to take it out again */
export function registerOpening<A extends Activity>(id: string, opening: Opening<A>): () => void {
  known.set(id, opening);
  return () => known.delete(id);
}

/** What is open in a case, and how it could be found out; null where nothing is, or nothing flows. */
export function openIn(of: Case): OpenQuestions | null {
  const opening = known.get(of.activity.kind) as Opening | null | undefined;
  if (!opening) return null;
  const path = pathFor(of);
  return path.blocked.length > 0 ? null : opening(of, path);
}
