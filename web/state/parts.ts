import equal from 'fast-deep-equal';
import { merge3 } from '@kymar/core/merge';
import type { Read } from '@kymar/core/text';
import { nameOf, type PartKind, type Part } from '@kymar/core/catalog/parts';
import { disks } from './disk';
import { fields } from './fields';
import { record, undoable } from './history';
import { checkedPart } from './check';
import { useJobs, type Held } from './jobs';
import { Records } from './records';
import { setHealth } from './status';

/** An entry of the library: `kind/id`. */
export const keyOf = (kind: PartKind, id: string) => `${kind}/${id}`;

/** An edit of this tab's: one step of undo, by its name. Undefined takes an entry away. */
export function editParts(
  changes: Record<string, Part | null | undefined>,
  name: string,
  field: string | null = null,
): void {
  const { parts } = useJobs.getState();
  const list = Object.entries(changes).map(([key, after]) => ({
    store: 'parts',
    key,
    before: parts[key],
    after,
  }));
  show(changes);
  record(name, list, field);
}

function show(changes: Record<string, Part | null | undefined>): void {
  useJobs.setState(({ parts }) => {
    const next = fields(parts);
    for (const [key, part] of Object.entries(changes)) {
      if (part === undefined) delete next[key];
      else next[key] = part;
    }
    return { parts: next };
  });
}

/** Puts parts of several kinds into the library in one step. */
export function putAll(list: readonly { kind: PartKind; part: Part }[]): void {
  if (list.length === 0) return;
  const name = list.length === 1 ? `import of “${nameOf(list[0]!.part)}”` : `import of ${list.length} parts`;
  editParts(Object.fromEntries(list.map(({ kind, part }) => [keyOf(kind, part.id), part])), name);
}

/** Puts entries by `kind/id` back as they were; null hides a part again. */
export function putEntries(entries: Record<string, Part | null>, name: string): void {
  if (Object.keys(entries).length > 0) editParts(entries, name);
}

/** Brings a removed entry back. @returns false when it is no sound part any more */
export async function putEntry(key: string, raw: unknown): Promise<boolean> {
  const read = await checked(raw, key);
  if (read.ok)
    editParts(
      { [key]: read.value },
      read.value ? `“${nameOf(read.value)}” brought back` : 'part removed again',
    );
  return read.ok;
}

/** The way from one state of an entry to another, laid over what it is now. */
function relay(before: unknown, after: unknown, now: unknown): unknown {
  if (equal(before, now)) return after;
  if (!before || !after || !now) return now;
  return merge3(before, after, now).value;
}

undoable('parts', {
  now: (key) => useJobs.getState().parts[key],
  relay,
  apply: (changes) => show(changes as Held),
});

/** On the disk a part that is hidden is a record of its own: nothing at all is no record. */
const HIDDEN = { hidden: true };
const isHidden = (raw: unknown): boolean => raw == null || (typeof raw === 'object' && 'hidden' in raw);

const checked = async (raw: unknown, key: string): Promise<Read<Part | null>> =>
  isHidden(raw) ? { ok: true, value: null } : checkedPart(raw, key);

/** Whether it looks like a part that Kymar wrote under this key. */
function isOurs(raw: unknown, key: string): raw is Part {
  if (typeof raw !== 'object' || raw === null) return false;
  const part = raw as { id?: unknown; name?: unknown; model?: unknown };
  return key.endsWith(`/${String(part.id)}`) && typeof (part.name ?? part.model) === 'string';
}

export const partRecords = new Records<Part | null>(
  {
    name: 'parts',
    disk: disks.parts,
    check: checked,
    trusted: (raw, key) => (isHidden(raw) ? null : isOurs(raw, key) ? raw : undefined),
    toDisk: (part) => part ?? HIDDEN,
    merge: (base, mine, theirs) =>
      base && mine && theirs
        ? merge3<Part | null>(base, mine, theirs)
        : { value: theirs, conflicts: ['the whole part'] },
    copy(part, key) {
      if (!part) return null;
      const id = `${part.id.slice(0, 60)}-${crypto.randomUUID().slice(0, 8)}`;
      const named =
        'name' in part
          ? { name: `${part.name.slice(0, 100)} (other tab’s)` }
          : { model: `${part.model.slice(0, 100)} (other tab’s)` };
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
