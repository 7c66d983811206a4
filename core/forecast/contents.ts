import { exactFact, middle, renamed, type Estimate, type Fact } from '../evidence';
import { filesOf, isMove, type Move } from '../job';
import { forecast, pathFor } from './answer';
import { caseOf, type Situation } from './case';

/** How many files so many bytes are: as many for each byte as the brief says of the largest copy onto the device; not known where it says none. */
function filesFor({ activities, elsewhere = [] }: Situation, bytes: number): Fact {
  const told = [...activities, ...elsewhere].flatMap((a) => {
    const [size, files] = isMove(a) && a.direction === 'write' ? [middle(a.bytes), middle(filesOf(a))] : [];
    return size && files ? [{ size, files, name: a.name }] : [];
  });
  const [like] = told.sort((a, b) => b.size - a.size);
  if (!like) return { value: null, source: { kind: 'unknown' } };
  const value = Math.max(1, Math.round((like.files * bytes) / like.size));
  return { value, source: { kind: 'entered', note: `as many for their size as in “${like.name}”` } };
}

/**
 * Time until contents are on the device, copied from the machine's own drive, in files as the brief's largest copy has them.
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
    files: filesFor(situation, bytes),
    verify,
  };
  const of = caseOf({ ...situation, activities: [move] }, move.id);
  const path = pathFor(of);
  return path.blocked.length > 0
    ? null
    : renamed('time to move the contents over', forecast(of, path).figure);
}
