import { changedPlaces } from '@kymar/core/merge';
import { nameOf, type PartKind, type Part, type Shop } from '@kymar/core/catalog/parts';
import { SHOP } from '@kymar/core/catalog/stock';
import { useJobs, type Held } from './jobs';
import { overlaid } from './overlay';
import { editParts, keyOf } from './parts';

/*
 * The shop's library: what ships with Kymar, with the shop's own parts and changes laid over it. A change is one entry under `kind/id`; null takes a
 * part that ships out of the list. Only these entries are kept in the browser.
 */

const made = new WeakMap<Held, Shop>();
/** The library, made once for each state of the entries. */
function shopOf(held: Held): Shop {
  const had = made.get(held);
  if (had) return had;
  const shop = overlaid(SHOP, held);
  made.set(held, shop);
  return shop;
}

/** The library as it stands. */
export const shopNow = (): Shop => shopOf(useJobs.getState().parts);
export const useShop = (): Shop => shopOf(useJobs((s) => s.parts));

/** Where a part comes from: shipped as it is, shipped and changed, or the shop's own. */
export function originOf(held: Held, kind: PartKind, id: string): 'shipped' | 'changed' | 'own' {
  if (!SHOP[kind].some((part) => part.id === id)) return 'own';
  return held[keyOf(kind, id)] ? 'changed' : 'shipped';
}

/** Puts parts into the library, in the place of those with the same id. */
export function putParts(kind: PartKind, list: readonly Part[]): void {
  if (list.length === 0) return;
  const [first] = list as [Part];
  const before = shopNow()[kind].find((part) => part.id === first.id);
  const places = list.length === 1 && before ? changedPlaces(before, first) : [];
  const name =
    list.length > 1
      ? `${list.length} parts taken over`
      : `${before ? 'change of' : 'new part'} “${nameOf(first)}”`;
  editParts(
    Object.fromEntries(list.map((part) => [keyOf(kind, part.id), part])),
    name,
    places.length === 1 ? `${keyOf(kind, first.id)} ${places[0]}` : null,
  );
}

/** Takes a part out of the library; jobs that use it keep it by value. */
export function dropPart(kind: PartKind, id: string): void {
  const part = shopNow()[kind].find((p) => p.id === id);
  editParts(
    { [keyOf(kind, id)]: SHOP[kind].some((p) => p.id === id) ? null : undefined },
    part ? `“${nameOf(part)}” removed` : 'part removed',
  );
}

/** Takes back the shop's change of a part that ships, or brings a removed one back. */
export function asShipped(kind: PartKind, id: string): void {
  const part = SHOP[kind].find((p) => p.id === id);
  editParts({ [keyOf(kind, id)]: undefined }, part ? `“${nameOf(part)}” as in stock` : 'part as in stock');
}
