import { nameOf, type Kind, type PartOf } from '../parts';
import { canonical } from '../text';
import { columnsOf } from './column';

/** What taking a part over would do. */
export interface Change<K extends Kind> {
  part: PartOf[K];
  /** `new`: not there yet; `changed`: replaces one; `same`: already so. */
  state: 'new' | 'changed' | 'same';
  /** Labels of the properties that differ. */
  differs: string[];
  /** It came under another id and was known by maker and name. */
  known: boolean;
}

const bare = (text: string) => text.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** Holds parts from a file against the shop's, by id, else by maker and name: one thing is never kept twice. Nothing is changed here. */
export function compare<K extends Kind>(kind: K, shop: readonly PartOf[K][], incoming: readonly PartOf[K][]): Change<K>[] {
  const byId = new Map(shop.map((part) => [part.id, part]));
  const byName = new Map(shop.map((part) => [bare(nameOf(part)), part]));
  return incoming.map((part) => {
    const same = byId.get(part.id);
    const twin = same ? undefined : byName.get(bare(nameOf(part)));
    const there = same ?? twin;
    if (!there) return { part, state: 'new', differs: [], known: false };
    const taken = { ...part, id: there.id };
    const differs = columnsOf(kind)
      .filter(({ key }) => canonical((there as Record<string, unknown>)[key]) !== canonical((taken as Record<string, unknown>)[key]))
      .map((column) => column.label);
    return { part: taken, state: differs.length > 0 ? 'changed' : 'same', differs, known: twin !== undefined };
  });
}
