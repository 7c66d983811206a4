import equal from 'fast-deep-equal';
import { SHOP } from '@kymar/core/demo';
import { problemsOf, type Read } from '@kymar/core/job';
import { changedPlaces, merge3 } from '@kymar/core/merge';
import { KINDS, nameOf, type Kind, type Part, type Shop } from '@kymar/core/parts';
import { own } from '@kymar/core/text';
import { disks } from './disk';
import { record, undoable } from './history';
import { useJobs, type Held } from './jobs';
import { overlaid } from './overlay';
import { Records } from './records';
import { setHealth } from './status';

/*
 * The shop's library: what ships with Kymar, with the shop's own parts and changes laid over it. A change is one entry under `kind/id`; null takes a
 * part that ships out of the list. Only these entries are kept in the browser.
 */
const keyOf = (kind: Kind, id: string) => `${kind}/${id}`;

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
export function originOf(held: Held, kind: Kind, id: string): 'shipped' | 'changed' | 'own' {
  if (!SHOP[kind].some((part) => part.id === id)) return 'own';
  return held[keyOf(kind, id)] ? 'changed' : 'shipped';
}

/** An edit of this tab's: one step of undo, by its name. Undefined takes an entry away. */
function edit(changes: Record<string, Part | null | undefined>, name: string, field: string | null = null): void {
  const { parts } = useJobs.getState();
  const list = Object.entries(changes).map(([key, after]) => ({ store: 'parts', key, before: parts[key], after }));
  show(changes);
  record(name, list, field);
}

function show(changes: Record<string, Part | null | undefined>): void {
  useJobs.setState(({ parts }) => {
    const next = { ...parts };
    for (const [key, part] of Object.entries(changes)) {
      if (part === undefined) delete next[key];
      else next[key] = part;
    }
    return { parts: next };
  });
}

/** Puts parts into the library, in the place of those with the same id. */
export function putParts(kind: Kind, list: readonly Part[]): void {
  if (list.length === 0) return;
  const [first] = list as [Part];
  const before = shopNow()[kind].find((part) => part.id === first.id);
  const places = list.length === 1 && before ? changedPlaces(before, first) : [];
  const name = list.length > 1 ? `${list.length} parts taken over` : `${before ? 'change of' : 'new part'} “${nameOf(first)}”`;
  edit(Object.fromEntries(list.map((part) => [keyOf(kind, part.id), part])), name, places.length === 1 ? `${keyOf(kind, first.id)} ${places[0]}` : null);
}

/** Puts parts of several kinds into the library in one step. */
export function putAll(list: readonly { kind: Kind; part: Part }[]): void {
  if (list.length === 0) return;
  const name = list.length === 1 ? `import of “${nameOf(list[0]!.part)}”` : `import of ${list.length} parts`;
  edit(Object.fromEntries(list.map(({ kind, part }) => [keyOf(kind, part.id), part])), name);
}

/** Puts entries by `kind/id` back as they were; null hides a part again. */
export function putEntries(entries: Record<string, Part | null>, name: string): void {
  if (Object.keys(entries).length > 0) edit(entries, name);
}

/** Brings a removed entry back. @returns false when it is no sound part any more */
export function putEntry(key: string, raw: unknown): boolean {
  const read = checkPart(raw, key);
  if (read.ok) edit({ [key]: read.value }, read.value ? `“${nameOf(read.value)}” brought back` : 'part removed again');
  return read.ok;
}

/** Takes a part out of the library; jobs that use it keep it by value. */
export function dropPart(kind: Kind, id: string): void {
  const part = shopNow()[kind].find((p) => p.id === id);
  edit({ [keyOf(kind, id)]: SHOP[kind].some((p) => p.id === id) ? null : undefined }, part ? `“${nameOf(part)}” removed` : 'part removed');
}

/** Takes back the shop's change of a part that ships, or brings a removed one back. */
export function asShipped(kind: Kind, id: string): void {
  const part = SHOP[kind].find((p) => p.id === id);
  edit({ [keyOf(kind, id)]: undefined }, part ? `“${nameOf(part)}” as shipped` : 'part as shipped');
}

/** The way from one state of an entry to another, laid over what it is now. */
function relay(before: unknown, after: unknown, now: unknown): unknown {
  if (equal(before, now)) return after;
  if (!before || !after || !now) return now;
  return merge3(before, after, now).value;
}

undoable('parts', { now: (key) => useJobs.getState().parts[key], relay, apply: (changes) => show(changes as Held) });

/** On the disk a part that is hidden is a record of its own: nothing at all is no record. */
const HIDDEN = { hidden: true };
const isHidden = (raw: unknown): boolean => raw == null || (typeof raw === 'object' && 'hidden' in raw);

function checkPart(raw: unknown, key: string): Read<Part | null> {
  if (isHidden(raw)) return { ok: true, value: null };
  const schema = own(KINDS as Record<string, (typeof KINDS)[Kind]>, key.slice(0, key.indexOf('/')));
  const read = schema?.safeParse(raw);
  if (read?.success) return { ok: true, value: read.data as Part };
  return { ok: false, problems: read ? problemsOf(read.error) : [`${key} is no kind of part.`] };
}

export const partRecords = new Records<Part | null>(
  {
    name: 'parts',
    disk: disks.parts,
    check: checkPart,
    toDisk: (part) => part ?? HIDDEN,
    merge: (base, mine, theirs) => (base && mine && theirs ? merge3<Part | null>(base, mine, theirs) : { value: theirs, conflicts: ['the whole part'] }),
    copy(part, key) {
      if (!part) return null;
      const id = `${part.id.slice(0, 60)}-${crypto.randomUUID().slice(0, 8)}`;
      const named = 'name' in part ? { name: `${part.name.slice(0, 100)} (other tab’s)` } : { model: `${part.model.slice(0, 100)} (other tab’s)` };
      return { key: `${key.slice(0, key.indexOf('/'))}/${id}`, value: { ...part, ...named, id } as Part };
    },
    title: (part, key) => (part ? nameOf(part) : key),
  },
  {
    get: () => useJobs.getState().parts,
    adopt: show,
    subscribe: (listener) => void useJobs.subscribe((is, was) => is.parts !== was.parts && listener()),
  },
  setHealth('parts'),
);
