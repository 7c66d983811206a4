import { exactFact, renamed, type Estimate } from '../evidence';
import type { Move } from '../job';
import { forecast, pathFor } from './answer';
import { caseOf, type Situation } from './case';

const unknown = { value: null, source: { kind: 'unknown' as const } };

/**
 * Time until contents are on the device, copied from the machine's own drive; of how many files nobody knows.
 * @param bytes at least 1
 * @param verify whether all is read back and compared
 * @returns null while the path is blocked
 */
export function contentsOn(situation: Situation, bytes: number, verify: boolean): Estimate | null {
  const move: Move = {
    id: 'contents',
    name: 'Contents',
    perDay: exactFact(0),
    target: null,
    kind: 'move',
    direction: 'write',
    bytes: exactFact(bytes),
    files: unknown,
    verify,
  };
  const of = caseOf({ ...situation, activities: [move] }, move.id);
  const path = pathFor(of);
  return path.blocked.length > 0
    ? null
    : renamed('time to move the contents over', forecast(of, path).figure);
}
