import { SHOP } from '@kymar/core/demo';
import { KINDS, type Kind, type Part, type PartOf, type Shop } from '@kymar/core/parts';
import { useJobs, useStatus, type Held } from './jobs';
import { loadParts, saveParts } from './storage';

/*
 * The shop's library: what ships with Kymar, with the shop's own parts and changes laid over it. A change is one entry under `kind/id`; null takes a
 * part that ships out of the list. Only these entries are kept in the browser.
 */
const keyOf = (kind: Kind, id: string) => `${kind}/${id}`;

/** The library with the shop's own entries laid over what ships. */
export function overlaid(held: Held): Shop {
  const own = Object.entries(held);
  const list = <K extends Kind>(kind: K): PartOf[K][] => {
    const mine = own.filter(([key]) => key.startsWith(`${kind}/`)).map(([key, part]) => [key.slice(kind.length + 1), part as PartOf[K] | null] as const);
    const ids = new Map(mine);
    const shipped = (SHOP[kind] as PartOf[K][]).flatMap((part) => (ids.has(part.id) ? (ids.get(part.id) ?? []) : part));
    const there = new Set(SHOP[kind].map((part) => part.id));
    return [...mine.flatMap(([id, part]) => (part && !there.has(id) ? part : [])), ...shipped];
  };
  return Object.fromEntries((Object.keys(KINDS) as Kind[]).map((kind) => [kind, list(kind)])) as unknown as Shop;
}

const made = new WeakMap<Held, Shop>();
/** {@link overlaid}, made once for each state of the entries. */
function shopOf(held: Held): Shop {
  const had = made.get(held);
  if (had) return had;
  const shop = overlaid(held);
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

/** Puts parts into the library, in the place of those with the same id. */
export function putParts(kind: Kind, list: readonly Part[]): void {
  useJobs.setState(({ parts }) => ({ parts: { ...parts, ...Object.fromEntries(list.map((part) => [keyOf(kind, part.id), part])) } }));
}

/** Takes a part out of the library; jobs that use it keep it by value. */
export function dropPart(kind: Kind, id: string): void {
  useJobs.setState(({ parts }) => {
    const { [keyOf(kind, id)]: _, ...rest } = parts;
    return { parts: SHOP[kind].some((part) => part.id === id) ? { ...rest, [keyOf(kind, id)]: null } : rest };
  });
}

/** Takes back the shop's change of a part that ships, or brings a removed one back. */
export function asShipped(kind: Kind, id: string): void {
  useJobs.setState(({ parts }) => {
    const { [keyOf(kind, id)]: _, ...rest } = parts;
    return { parts: rest };
  });
}

/** Takes entries over without a step of undo: nothing the user did is to be undone by it. */
function adopt(parts: Held): void {
  const history = useJobs.temporal.getState();
  history.pause();
  useJobs.setState({ parts });
  history.resume();
}

const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('kymar-parts');

/** Loads the shop's own entries, and from then on writes each that changes; another tab's come in as they are written. */
export async function openParts(): Promise<void> {
  let written: Held = {};
  try {
    written = await loadParts();
    adopt(written);
  } catch (error) {
    useStatus.setState({ trouble: `The parts of this shop cannot be read (${(error as Error).message}).` });
    return;
  }
  let writing: Promise<void> = Promise.resolve();
  useJobs.subscribe(({ parts }) => {
    if (parts === written) return;
    const before = written;
    written = parts;
    const keys = [...new Set([...Object.keys(before), ...Object.keys(parts)])].filter((key) => before[key] !== parts[key]);
    useStatus.setState({ savingParts: true });
    const mine: Promise<unknown> = (writing = writing
      .then(() => saveParts(keys.map((key) => [key, parts[key]])))
      .then(
        () => tabs?.postMessage(keys),
        (error: Error) => useStatus.setState({ trouble: `Parts not saved: ${error.message || 'the browser’s storage refused'}. Save the library to a file now.` }),
      )
      .then(() => {
        if (mine === writing) useStatus.setState({ savingParts: false });
      }));
  });
  tabs?.addEventListener('message', (event: MessageEvent<string[]>) => {
    void loadParts().then((stored) => {
      const { parts } = useJobs.getState();
      const next = { ...parts };
      for (const key of event.data) {
        if (key in stored) next[key] = stored[key]!;
        else delete next[key];
      }
      written = next;
      adopt(next);
    });
  });
}
