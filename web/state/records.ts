import { type Read } from '@kymar/core/text';
import equal from 'fast-deep-equal';
import { VERSION } from '@kymar/core/job';
import type { Merged } from '@kymar/core/merge';
import { bin } from './bin';
import { addIn, allIn, answered } from './disk';
import { fields } from './fields';
import { idle } from './idle';
import { soundPart } from './sound';

/*
 * The one store behind jobs, parts and settings. What stands on the screen is compared with what the disk was last known to hold; each
 * record that differs is written for itself, read and checked under a lock that all tabs share. Another tab's change is merged, never
 * written over; a record that cannot be read, or that a newer Kymar wrote, is left where it is. What could not be written is tried
 * again, later and later, until it is.
 */

/** What a store must know of its records. */
export interface StoredKind<T> {
  /** Names store, lock and channel: `jobs`. */
  name: string;
  disk: LocalForage;
  /** A record as read, or what is wrong with it. What checks it may have to be fetched first. */
  check(raw: unknown, key: string): Promise<Read<T>>;
  /**
   * A record of this version's own making, shown as it is and checked when there is nothing else to do; undefined for any other, which
   * is checked before it is shown.
   */
  trusted(raw: unknown, key: string): T | undefined;
  /** A record as written. */
  toDisk(value: T): unknown;
  merge(base: T | undefined, mine: T, theirs: T): Merged<T>;
  /** Where both tabs changed the same: my version, as a record of its own. Null where one may win. */
  copy(mine: T, key: string): { key: string; value: T } | null;
  title(value: T, key: string): string;
  /** Whether a record holds all that another state of it, as it was written, does; absent: where they are equal. */
  holds?(value: T, raw: unknown): boolean;
  /** What is removed needs no place in the bin. */
  fleeting?: boolean;
}

/** What is on the screen. */
export interface Screen<T> {
  get(): Record<string, T>;
  /** Puts records there that somebody else changed: no step of undo. */
  adopt(changes: Record<string, T | undefined>): void;
  subscribe(listener: () => void): void;
}

/** A record that cannot be used: kept as it is. */
export interface Aside {
  key: string;
  raw: unknown;
  problem: string;
  newer: boolean;
}

/** A change that a page which was left could not write any more; null is nothing. */
export interface UnsavedDraft {
  key: string;
  base: unknown;
  mine: unknown;
  /** What was being written when the page was left: the storage may hold this by now, or still what it was made from. */
  sent?: unknown;
}

/** How a store is doing. */
export interface StoreHealth {
  loaded: boolean;
  /** Why nothing could be loaded; null when all was. */
  closed: string | null;
  /** Something is being written or about to be. */
  busy: boolean;
  /** Records that are not on the disk as they stand on the screen. */
  unsaved: number;
  /** Why they are not, by key. */
  failed: Record<string, string>;
  aside: Aside[];
  /** What a person should know: two versions kept, storage emptied. Stays until read. */
  notes: string[];
}

/** Quick enough that nothing is lost between a press and a reload, slow enough to gather the letters of a word. */
const SAVE_AFTER = 120;
/** Records of a large batch that are written under one lock, and below how many each is written for itself. */
const PIECE = 200;
const FEW = 20;
const RETRY_FIRST = 1000;
const RETRY_LAST = 60_000;
/** How long what is stored is checked at a stretch, ms. */
const SLICE = 8;

class Unsound extends Error {}

const words = (error: unknown): string =>
  typeof error === 'object' &&
  error !== null &&
  'message' in error &&
  typeof error.message === 'string' &&
  error.message
    ? error.message
    : 'the browser’s storage refused';

export class Records<T> {
  private readonly base = new Map<string, { raw: unknown; value: T }>();
  /** What was seen last of records that are not on the disk as they stand: what is removed is removed as it was worked on. */
  private readonly latest = new Map<string, T>();
  /** What is on its way to the disk. */
  private readonly sent = new Map<string, unknown>();
  private health: StoreHealth = {
    loaded: false,
    closed: null,
    busy: false,
    unsaved: 0,
    failed: {},
    aside: [],
    notes: [],
  };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private wait = RETRY_FIRST;
  /** What the bin holds, asked once for a large batch. */
  private binned: Set<string> | null = null;
  /** When something last changed. */
  private last = 0;
  private writing: Promise<void> = Promise.resolve();
  private readonly channel: BroadcastChannel | null;
  /** Done when everything that was shown unchecked has been checked. */
  examined: Promise<void> = Promise.resolve();

  constructor(
    private readonly kind: StoredKind<T>,
    private readonly screen: Screen<T>,
    private readonly told: (health: StoreHealth) => void,
  ) {
    this.channel =
      typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`kymar-${kind.name}`);
  }

  private tell(part: Partial<StoreHealth>): void {
    this.health = { ...this.health, ...part };
    this.told(this.health);
  }

  private note(note: string): void {
    if (!this.health.notes.includes(note)) this.tell({ notes: [...this.health.notes, note].slice(-5) });
  }

  /** Puts on the screen what somebody else did: what goes by that is nothing that was removed here. */
  private show(changes: Record<string, T | undefined>): void {
    for (const [key, value] of Object.entries(changes)) if (value === undefined) this.latest.delete(key);
    this.screen.adopt(changes);
  }

  /** What is not on the disk as it stands on the screen, with what it was made from. */
  unsaved(): UnsavedDraft[] {
    const now = this.screen.get();
    return this.dirty().map((key) => ({
      key,
      base: this.base.get(key)?.raw ?? null,
      mine: key in now ? this.kind.toDisk(now[key]!) : null,
      ...(this.sent.has(key) ? { sent: this.sent.get(key) } : {}),
    }));
  }

  /** A record as it is shown: what this version made itself needs no check at once, which would first have to be fetched. */
  private async read(raw: unknown, key: string): Promise<Read<T> & { isUnchecked?: true }> {
    const trusted = this.kind.trusted(raw, key);
    return trusted === undefined
      ? this.kind.check(raw, key)
      : { ok: true, value: trusted, isUnchecked: true };
  }

  /** Lays over what is stored what an earlier page could not write any more. @returns whether that is all of it */
  async resume(drafts: readonly UnsavedDraft[]): Promise<boolean> {
    let isAll = true;
    for (const { key, base, mine, sent } of drafts) {
      const is = mine === null ? null : await this.read(mine, key);
      const now = this.screen.get()[key];
      const from =
        sent !== undefined && now !== undefined && equal(this.kind.toDisk(now), sent) ? sent : base;
      const was = from === null ? null : await this.read(from, key);
      if (is && !is.ok) {
        this.note(
          `What was changed last in “${key}” cannot be read (${is.problems[0]}). It is kept as it is.`,
        );
        isAll = false;
        continue;
      }
      if (!is) {
        // Removed there: only what nobody changed since.
        if (now !== undefined && was?.ok && equal(this.kind.toDisk(now), this.kind.toDisk(was.value)))
          this.show({ [key]: undefined });
      } else if (now === undefined) this.show({ [key]: is.value });
      else if (!equal(this.kind.toDisk(now), this.kind.toDisk(is.value))) {
        const { value, conflicts } = this.kind.merge(was?.ok ? was.value : undefined, is.value, now);
        const copy = conflicts.length > 0 ? this.kind.copy(is.value, key) : null;
        this.show({ [key]: value, ...(copy ? { [copy.key]: copy.value } : {}) });
      }
    }
    this.changed();
    return isAll;
  }

  /** A person has read what was told. */
  readNotes(): void {
    this.tell({ notes: [] });
  }

  /** Loads what is stored, and from then on writes every change. Never throws: what is wrong is told. */
  async open(): Promise<void> {
    await this.load();
    this.screen.subscribe(() => this.changed());
    this.channel?.addEventListener('message', (event: MessageEvent<string[]>) => void this.take(event.data));
    this.changed();
  }

  private async load(): Promise<void> {
    let found: [string, unknown][];
    try {
      found = await answered(allIn(this.kind.disk));
    } catch (error) {
      this.tell({ loaded: true, closed: words(error) });
      return this.later();
    }
    const read = fields<T>();
    const aside: Aside[] = [];
    const later: [string, T][] = [];
    for (const [key, raw] of found) {
      const checked = await this.read(raw, key);
      if (checked.ok) {
        this.base.set(key, { raw, value: checked.value });
        read[key] = checked.value;
        if (checked.isUnchecked) later.push([key, checked.value]);
      } else aside.push(asideOf(key, raw, checked));
    }
    this.examined = this.examine(later);
    const now = this.screen.get();
    // What was made while nothing could be loaded stays, and is written.
    this.show(Object.fromEntries(Object.entries(read).filter(([key]) => now[key] === undefined)));
    this.tell({ loaded: true, closed: null, aside });
  }

  /** Checks in idle time what was shown unchecked; what does not hold is set aside, unless it was changed meanwhile. */
  private async examine(list: readonly [string, T][]): Promise<void> {
    await idle();
    let from = performance.now();
    for (const [key, value] of list) {
      const base = this.base.get(key);
      if (base?.value !== value) continue;
      const checked = await this.kind.check(base.raw, key).catch(() => null);
      if (checked && !checked.ok && this.base.get(key) === base && this.screen.get()[key] === value) {
        this.base.delete(key);
        this.show({ [key]: undefined });
        this.tell({ aside: [...this.health.aside, asideOf(key, base.raw, checked)] });
      }
      if (performance.now() - from < SLICE) continue;
      await idle();
      from = performance.now();
    }
  }

  /** Keys whose record is not on the disk as it stands on the screen. */
  private dirty(): string[] {
    const now = this.screen.get();
    const changed = Object.keys(now).filter((key) => this.base.get(key)?.value !== now[key]);
    const gone = [...this.base.keys(), ...this.latest.keys()].filter((key) => !(key in now));
    return [...new Set([...changed, ...gone])];
  }

  private changed(): void {
    const dirty = this.dirty();
    const now = this.screen.get();
    for (const key of dirty) if (key in now) this.latest.set(key, now[key]!);
    const unsaved = dirty.length;
    if (unsaved === 0 && !this.timer) return this.tell({ unsaved, busy: false, failed: {} });
    this.tell({ unsaved, busy: unsaved > 0 });
    this.wait = RETRY_FIRST;
    // The first change after a rest is written at once: who leaves right after a press loses nothing.
    const rested = Date.now() - this.last > SAVE_AFTER;
    this.last = Date.now();
    this.after(rested ? 0 : SAVE_AFTER);
  }

  private after(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.save(), ms);
  }

  private later(): void {
    this.after(this.wait);
    this.wait = Math.min(RETRY_LAST, this.wait * 2);
  }

  /** Writes what is not written yet, one batch after the other. */
  save(): Promise<void> {
    clearTimeout(this.timer);
    this.timer = undefined;
    return (this.writing = this.writing.then(() => this.batch()).catch((error: unknown) => this.fail(error)));
  }

  private fail(error: unknown): void {
    this.tell({
      busy: false,
      unsaved: this.dirty().length,
      failed: Object.fromEntries(this.dirty().map((key) => [key, words(error)])),
    });
    this.later();
  }

  private async batch(): Promise<void> {
    if (this.health.closed !== null) {
      await this.load();
      if (this.health.closed !== null) throw new Error(this.health.closed);
    }
    const keys = this.dirty();
    if (keys.length === 0) return this.tell({ busy: false, unsaved: 0, failed: {} });
    const failed = fields<string>();
    let again = false;
    const one = async (key: string): Promise<string[]> => {
      try {
        return await answered(this.write(key));
      } catch (error) {
        failed[key] = words(error);
        // What is unsound stays so until it is changed; anything else may go better later.
        if (!(error instanceof Unsound)) again = true;
        return [];
      }
    };
    this.binned = keys.length < PIECE ? null : new Set(await bin.keys(this.kind.name).catch(() => keys));
    // In pieces, each under the lock for itself: another tab's change waits for one of them, not for thousands.
    for (let i = 0; i < keys.length; i += PIECE) {
      const piece = keys.slice(i, i + PIECE);
      const written: string[] = [];
      await this.locked(async () => {
        const left = piece.length < FEW ? piece : await this.writeFresh(piece, written);
        // Side by side: one after the other takes a minute for thousands.
        written.push(...(await Promise.all(left.map(one))).flat());
      });
      if (written.length > 0) this.channel?.postMessage(written);
    }
    const left = this.dirty();
    const fresh = left.filter((key) => !(key in failed));
    this.tell({ failed, unsaved: left.length, busy: fresh.length > 0 });
    if (fresh.length > 0) this.after(0);
    else if (again) this.later();
    else this.wait = RETRY_FIRST;
  }

  /** Under a lock that all tabs share: what is read is still so when it is written. */
  private async locked(work: () => Promise<void>): Promise<void> {
    const locks = globalThis.navigator?.locks;
    if (!locks) return work();
    await locks.request(`kymar-${this.kind.name}`, { signal: AbortSignal.timeout(15_000) }, work);
  }

  /**
   * Of many at once those that are sound and not on the disk yet, in one go: a transaction each would be most of the work.
   * @param written told which were
   * @returns those that are left to be written one by one
   */
  private async writeFresh(keys: readonly string[], written: string[]): Promise<string[]> {
    const now = this.screen.get();
    const fresh: { key: string; raw: unknown; value: T }[] = [];
    let from = performance.now();
    for (const key of keys) {
      if (performance.now() - from > SLICE) {
        await new Promise((resolve) => setTimeout(resolve));
        from = performance.now();
      }
      const value = now[key];
      if (value === undefined || this.base.has(key) || (this.binned?.has(key) ?? true)) continue;
      const raw = this.kind.toDisk(value);
      if (!(await this.kind.check(raw, key)).ok) continue;
      fresh.push({ key, raw, value });
      this.sent.set(key, raw);
    }
    const added = new Set(
      await answered(
        addIn(
          this.kind.disk,
          fresh.map(({ key, raw }) => [key, raw]),
        ),
      ),
    );
    for (const { key, raw, value } of fresh) {
      if (!added.has(key)) continue;
      this.stored(key, raw, value);
      written.push(key);
    }
    return keys.filter((key) => !added.has(key));
  }

  /** Writes one record. @returns the keys that were written */
  private async write(key: string): Promise<string[]> {
    const mine = this.screen.get()[key];
    const base = this.base.get(key);
    const raw: unknown = await this.kind.disk.getItem(key);
    if (mine === undefined) return this.remove(key, raw);
    const sound = await this.kind.check(this.kind.toDisk(mine), key);
    if (!sound.ok) return this.writeRest(key, mine, raw, sound.problems);
    if (isMine(raw, base) || equal(raw, this.kind.toDisk(mine))) {
      await this.put(key, mine);
      return [key];
    }
    return this.bring(key, mine, base?.value, raw);
  }

  /**
   * Of what is unsound all the rest is stored; what is refused stays on the screen, as it was typed, and what it stood for before stays stored.
   * @throws Unsound always: it is not all on the disk
   */
  private async writeRest(key: string, mine: T, raw: unknown, problems: readonly string[]): Promise<never> {
    const base = this.base.get(key);
    const rest = isMine(raw, base)
      ? await soundPart(this.kind.toDisk(mine), base?.raw, (part) => this.kind.check(part, key))
      : null;
    if (rest !== null && !equal(this.kind.toDisk(rest), base?.raw)) {
      await this.put(key, rest);
      this.channel?.postMessage([key]);
    }
    throw new Unsound(
      `“${this.kind.title(mine, key)}” ${rest === null ? 'is not sound' : 'is stored, all but what cannot be'}: ${problems[0]}`,
    );
  }

  private async put(key: string, value: T): Promise<void> {
    const raw = this.kind.toDisk(value);
    this.sent.set(key, raw);
    await this.kind.disk.setItem(key, raw);
    const holds = (had: unknown) => this.kind.holds?.(value, had) ?? equal(had, raw);
    if (!this.base.has(key) && (this.binned?.has(key) ?? true)) await bin.take(this.kind.name, key, holds);
    this.stored(key, raw, value);
  }

  /** From now on the disk is known to hold it. */
  private stored(key: string, raw: unknown, value: T): void {
    this.base.set(key, { raw, value });
    this.sent.delete(key);
    if (this.latest.get(key) === value) this.latest.delete(key);
  }

  private async remove(key: string, raw: unknown): Promise<string[]> {
    const base = this.base.get(key);
    if (raw === null || raw === undefined || (base && equal(raw, base.raw))) {
      const value = this.latest.get(key) ?? base?.value;
      if (value !== undefined && !this.kind.fleeting)
        await bin.put({
          kind: this.kind.name,
          key,
          raw: this.kind.toDisk(value),
          title: this.kind.title(value, key),
        });
      await this.kind.disk.removeItem(key);
      this.base.delete(key);
      if (!(key in this.screen.get())) this.latest.delete(key);
      return [key];
    }
    // Another tab changed it since: what somebody worked on is not thrown away.
    const theirs = await this.kind.check(raw, key);
    // Brought back meanwhile: the next writing settles it.
    if (key in this.screen.get()) return [];
    this.base.delete(key);
    this.latest.delete(key);
    if (!theirs.ok) return [];
    this.base.set(key, { raw, value: theirs.value });
    this.show({ [key]: theirs.value });
    this.note(
      `“${this.kind.title(theirs.value, key)}” was changed in another tab while it was removed here. It is kept.`,
    );
    return [];
  }

  /** Another tab wrote meanwhile: both changes are brought together. */
  private async bring(key: string, mine: T, base: T | undefined, raw: unknown): Promise<string[]> {
    const theirs = await this.kind.check(raw, key);
    const title = this.kind.title(mine, key);
    if (!theirs.ok) {
      const copy = this.kind.copy(mine, key);
      if (!copy) throw new Unsound(`“${title}” stands in the storage in a form this Kymar cannot read`);
      await this.put(copy.key, copy.value);
      this.base.delete(key);
      this.show({ [key]: undefined, [copy.key]: copy.value });
      this.note(
        `What the storage holds as “${title}” cannot be read by this Kymar (${theirs.problems[0]}). ` +
          `It is left untouched; yours is kept as “${this.kind.title(copy.value, copy.key)}”.`,
      );
      return [copy.key];
    }
    const { value, conflicts } = this.kind.merge(base, mine, theirs.value);
    const sound = (await this.kind.check(this.kind.toDisk(value), key)).ok;
    const copy = conflicts.length > 0 || !sound ? this.kind.copy(mine, key) : null;
    const merged = sound ? value : theirs.value;
    await this.put(key, merged);
    if (copy) {
      await this.put(copy.key, copy.value);
      this.note(
        `“${title}” was changed in two tabs at once (${conflicts[0] ?? 'in ways that do not fit together'}). Both versions are kept.`,
      );
    }
    // What was typed while this was written goes on top.
    const now = this.screen.get()[key];
    const shown = now === mine || now === undefined ? merged : this.kind.merge(mine, now, merged).value;
    this.show({ [key]: shown, ...(copy ? { [copy.key]: copy.value } : {}) });
    return [key, ...(copy ? [copy.key] : [])];
  }

  private take(keys: readonly string[]): Promise<void> {
    return (this.writing = this.writing.then(() => this.adopt(keys)).catch(() => undefined));
  }

  /** Takes over what another tab wrote; a change of this one that waits is laid on top. */
  private async adopt(keys: readonly string[]): Promise<void> {
    for (const key of keys) {
      const raw = await answered(this.kind.disk.getItem(key)).catch(() => undefined);
      if (raw === undefined) continue;
      // What is asked of the screen is asked after everything that takes time: letters are typed meanwhile.
      const theirs = raw === null ? null : await this.kind.check(raw, key);
      const base = this.base.get(key);
      const now = this.screen.get()[key];
      if (theirs === null) {
        if (now !== undefined && now === base?.value) {
          this.base.delete(key);
          this.show({ [key]: undefined });
        }
        continue;
      }
      if (!theirs.ok || (base && equal(raw, base.raw))) continue;
      // Removed here and not written yet: the writing will find what was changed meanwhile, and keep it.
      if (now === undefined && base) continue;
      this.base.set(key, { raw, value: theirs.value });
      if (now === base?.value) this.show({ [key]: theirs.value });
      else if (now !== undefined) {
        const { value, conflicts } = this.kind.merge(base?.value, now, theirs.value);
        // A conflict is for the one who writes last to settle, with both versions kept: it must see its own base again.
        if (conflicts.length > 0 && base) this.base.set(key, base);
        else this.show({ [key]: value });
      }
    }
  }

  /**
   * Whether the disk still holds what it did. Where it was emptied from outside (not by a tab: then it is in the bin), what is on the
   * screen is written again.
   */
  async verify(): Promise<void> {
    if (this.health.closed !== null || this.base.size === 0) return;
    const there = await answered(this.kind.disk.keys()).catch(() => null);
    if (!there) return;
    const has = new Set(there);
    const missing = [...this.base.keys()].filter((key) => !has.has(key));
    const lost: string[] = [];
    for (const key of missing) if (!(await bin.has(this.kind.name, key))) lost.push(key);
    if (lost.length === 0) return;
    lost.forEach((key) => this.base.delete(key));
    this.note(
      'The browser’s storage was emptied while Kymar was open. What stands on the screen is stored anew.',
    );
    this.changed();
  }

  /** Removes a record that was set aside, for good. */
  async drop(key: string): Promise<void> {
    const aside = this.health.aside.find((a) => a.key === key);
    if (!aside) return;
    await bin.put({ kind: this.kind.name, key, raw: aside.raw, title: key });
    await this.kind.disk.removeItem(key);
    this.tell({ aside: this.health.aside.filter((a) => a !== aside) });
  }

  /** Puts a repaired record in the place of one that was set aside. */
  async repair(key: string, raw: unknown): Promise<Read<T>> {
    const checked = await this.kind.check(raw, key);
    if (!checked.ok) return checked;
    await bin.put({
      kind: this.kind.name,
      key: `${key}`,
      raw: this.health.aside.find((a) => a.key === key)?.raw ?? null,
      title: `${this.kind.title(checked.value, key)}, as it was damaged`,
    });
    await this.kind.disk.setItem(key, this.kind.toDisk(checked.value));
    this.base.set(key, { raw: this.kind.toDisk(checked.value), value: checked.value });
    this.show({ [key]: checked.value });
    this.tell({ aside: this.health.aside.filter((a) => a.key !== key) });
    return checked;
  }
}

/** Whether the disk holds what this page last read or wrote there, or nothing. */
const isMine = (raw: unknown, base: { raw: unknown } | undefined): boolean =>
  raw === null || raw === undefined || (base !== undefined && equal(raw, base.raw));

const asideOf = (key: string, raw: unknown, { problems }: { problems: string[] }): Aside => ({
  key,
  raw,
  problem: problems[0] ?? 'unreadable',
  newer: isNewer(raw),
});

const isNewer = (raw: unknown): boolean =>
  typeof raw === 'object' && raw !== null && 'kymarVersion' in raw && Number(raw.kymarVersion) > VERSION;
