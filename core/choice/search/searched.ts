import type { Build } from '../../assembly';
import type { Shop } from '../../catalog/parts';
import { Finalists } from './answer';
import type { Candidate } from './candidate';
import { nonDominated } from './order';
import type { Found } from './search';
import type { Wanted } from './wanted';

/** A search that is over, with what is asked of it again and again. */
export interface FinishedSearch {
  /** What is built now. */
  built: Build | null;
  wanted: Wanted;
  shop: Shop;
  found: Found;
  finalists: Finalists;
  /** Of each candidate, by id, its place in the list. */
  index: ReadonlyMap<string, number>;
  ids: ReadonlyMap<string, Candidate>;
  /** Those that no other beats in both cost and time. */
  edge: ReadonlySet<string>;
}

export const searched = (found: Found, wanted: Wanted, shop: Shop, built: Build | null): FinishedSearch => ({
  built,
  wanted,
  shop,
  found,
  finalists: new Finalists(wanted),
  index: new Map(found.candidates.map((c, i) => [c.id, i])),
  ids: new Map(found.candidates.map((c) => [c.id, c])),
  edge: new Set(nonDominated(found.candidates).map((c) => c.id)),
});
