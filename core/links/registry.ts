import type { Link } from './link';
import { TABLE } from './table';

const byId = new Map(TABLE.map((link) => [link.id, link]));

/** All links of the table, in its order. */
export const LINKS = TABLE;

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

/** All modes an end can run that names these: with each, whatever its standard makes it carry too. */
export function modesOf(named: readonly string[]): Set<string> {
  const all = new Set<string>();
  const add = (id: string) => {
    if (all.has(id)) return;
    all.add(id);
    linkById(id).implies.forEach(add);
  };
  named.forEach(add);
  return all;
}
