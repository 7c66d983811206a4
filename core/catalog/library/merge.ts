import equal from 'fast-deep-equal';
import { nameOf, type PartKind, type PartOf } from '../parts';
import type { AskedColumn } from '../../units';
import { columnsOf } from './column';
import { cellsOf } from './table';

/** A property before and after, as people read it. */
export interface Difference {
  label: string;
  before: string;
  after: string;
}

/** What taking a part over would do. */
export interface LibraryChange<K extends PartKind> {
  part: PartOf[K];
  /** The one it would replace. */
  there: PartOf[K] | null;
  /** `new`: not there yet; `changed`: replaces one; `same`: already so. */
  state: 'new' | 'changed' | 'same';
  /** It came under another id and was known by maker and name. */
  known: boolean;
}

const bare = (text: string) => text.toLowerCase().replace(/[^a-z0-9]+/g, '');

/**
 * Holds parts from a file against the shop's, by id, else by maker and name: one thing is never kept twice. Nothing is changed here.
 * @param keys properties that the file tells of; the others stay as they are. Absent: it tells of all
 */
export function compare<K extends PartKind>(
  _kind: K,
  shop: readonly PartOf[K][],
  incoming: readonly PartOf[K][],
  keys?: readonly string[],
): LibraryChange<K>[] {
  const told = keys && new Set(keys);
  const byId = new Map(shop.map((part) => [part.id, part]));
  // Only where an id is not known: it takes as long as all the rest.
  let byName: Map<string, PartOf[K]> | null = null;
  const named = (part: PartOf[K]) =>
    (byName ??= new Map(shop.map((p) => [bare(nameOf(p)), p]))).get(bare(nameOf(part)));
  return incoming.map((part) => {
    const same = byId.get(part.id);
    const twin = same ? undefined : named(part);
    const there = same ?? twin;
    if (!there) return { part, there: null, state: 'new', known: false };
    const taken = { ...(told ? onto(there, part, told) : part), id: there.id };
    return { part: taken, there, state: equal(there, taken) ? 'same' : 'changed', known: twin !== undefined };
  });
}

/** What a change changes, property by property, as people read it. */
export function differencesOf<K extends PartKind>(
  kind: K,
  { there, part }: Pick<LibraryChange<K>, 'there' | 'part'>,
): Difference[] {
  if (!there) return [];
  return columnsOf(kind).flatMap((column) => {
    const [was, is] = [there, part].map((p) => (p as Record<string, unknown>)[column.key]);
    return equal(was, is) ? [] : [difference(column, was, is)];
  });
}

/** A property's change in words; where the figure is the same, its source is what changed. */
function difference(column: AskedColumn, was: unknown, is: unknown): Difference {
  const [a, b] = [cellsOf(column, was), cellsOf(column, is)];
  const i = Math.max(
    0,
    a.findIndex((cell, n) => cell !== b[n]),
  );
  const said = (cells: string[]) => (cells[i] || 'empty').slice(0, 120);
  return { label: ['', 'source of ', 'more on '][i] + column.label, before: said(a), after: said(b) };
}

/** A part with only what was told of it changed. */
function onto<P extends object>(there: P, part: P, told: ReadonlySet<string>): P {
  const kept = Object.entries(there).filter(([key]) => !told.has(key));
  const fresh = Object.entries(part).filter(([key]) => told.has(key));
  return Object.fromEntries([...kept, ...fresh]) as P;
}
