import type { Activity } from '../../../job';
import { pathFor } from '../../answer';
import type { Case } from '../../case';
import type { Open, Opening } from './kind';
import { MOVE } from './move';
import { OPEN } from './open';
import { SCRATCH } from './scratch';
import { STREAM } from './stream';

export type { Open, Test, WorthId } from './kind';

/** How each kind is drawn: data that only stays is met or not without a probability. */
const KINDS: { [K in Activity['kind']]: Opening<Extract<Activity, { kind: K }>> | null } = {
  move: MOVE,
  stream: STREAM,
  open: OPEN,
  scratch: SCRATCH,
  keep: null,
};
const known = new Map<string, unknown>(Object.entries(KINDS));

/** What is open in a case, and how it could be found out; null where nothing is, or nothing flows. */
export function openIn(of: Case): Open | null {
  const opening = known.get(of.activity.kind) as Opening | null | undefined;
  if (!opening) return null;
  const path = pathFor(of);
  return path.blocked.length > 0 ? null : opening(of, path);
}
