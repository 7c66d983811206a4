import type { Link } from './link';
import { TABLE } from './table';

const byId = new Map(TABLE.map((link) => [link.id, link]));

/** All links of the table, in its order. */
export const LINKS: readonly Link[] = TABLE;

/** Makes another link known, beside the table. @returns how to take it out again */
export function registerLink(link: Link): () => void {
  TABLE.push(link);
  byId.set(link.id, link);
  return () => {
    TABLE.splice(TABLE.indexOf(link), 1);
    byId.delete(link.id);
    closures.delete(link.id);
  };
}

/** Whether a text is a link's id: what a file may name as a mode. */
export const isLinkId = (id: string): boolean => byId.has(id);

/**
 * The link with this id.
 * @throws RangeError for an unknown id; files are checked against {@link isLinkId} before.
 */
export function linkById(id: string): Link {
  const link = byId.get(id);
  if (!link) throw new RangeError(`No link "${id}" is known.`);
  return link;
}

const closures = new Map<string, ReadonlySet<string>>();

/** A mode with all older ones its standard makes it carry too. */
function closure(id: string): ReadonlySet<string> {
  const had = closures.get(id);
  if (had) return had;
  const found = new Set([id, ...linkById(id).implies.flatMap((older) => [...closure(older)])]);
  closures.set(id, found);
  return found;
}

/** What lists of modes stand for, by the list's identity: parts are never changed in place. */
const known = new WeakMap<readonly string[], ReadonlySet<string>>();

/** All modes an end can run that names these: with each, whatever its standard makes it carry too. */
export function modesOf(named: readonly string[]): ReadonlySet<string> {
  if (named.length === 1) return closure(named[0]!);
  const had = known.get(named);
  if (had) return had;
  const found = new Set(named.flatMap((id) => [...closure(id)]));
  known.set(named, found);
  return found;
}
