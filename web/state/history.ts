import { useStatus } from './status';

/*
 * Undo of one's own edits. A step keeps what it changed as it was before and after, nothing else: taking it back is a change like any
 * other, laid over what stands there now, so that what another tab did meanwhile stays.
 */
interface Change {
  /** Of which store, e.g. `jobs`. */
  store: string;
  key: string;
  before: unknown;
  after: unknown;
}
interface Step {
  name: string;
  /** What was typed into one field in one go is one step: names the field, null for what stands alone. */
  field: string | null;
  at: number;
  changes: Change[];
}

/** Lays the way from `before` to `after` over what stands there now; undefined is nothing. */
export type Relay = (before: unknown, after: unknown, now: unknown) => unknown;

interface Store {
  now(key: string): unknown;
  relay: Relay;
  apply(changes: Record<string, unknown>): void;
}

const MOST = 200;
/** A pause this long ends an edit, in ms. */
const PAUSE = 1500;
const stores = new Map<string, Store>();
let past: Step[] = [];
let future: Step[] = [];

export const undoable = (name: string, store: Store): void => void stores.set(name, store);

/** Enters an edit; letters typed into one field without a pause become one step. */
export function record(name: string, changes: readonly Change[], field: string | null = null): void {
  const at = Date.now();
  const last = past.at(-1);
  const goesOn =
    last && field !== null && last.field === field && at - last.at < PAUSE && future.length === 0;
  if (goesOn)
    past[past.length - 1] = {
      ...last,
      at,
      changes: last.changes.map((c, i) => ({ ...c, after: changes[i]!.after })),
    };
  else past = [...past, { name, field, at, changes: [...changes] }].slice(-MOST);
  future = [];
}

/** What the next undo and redo would do. */
export const nextSteps = (): { undo: string | null; redo: string | null } => ({
  undo: past.at(-1)?.name ?? null,
  redo: future.at(-1)?.name ?? null,
});

/** Forgets all steps: what was loaded is nobody's edit. */
export function clearHistory(): void {
  past = [];
  future = [];
}

function turn(step: Step, back: boolean): Step {
  const done: Change[] = [];
  for (const { store: name, key, before, after } of step.changes) {
    const store = stores.get(name);
    if (!store) continue;
    const now = store.now(key);
    const then = back ? store.relay(after, before, now) : store.relay(before, after, now);
    if (then === now) continue;
    store.apply({ [key]: then });
    const made = store.now(key);
    // The way back from here: from what now stands to what stood before.
    done.push(
      back ? { store: name, key, before: made, after: now } : { store: name, key, before: now, after: made },
    );
  }
  return { ...step, field: null, changes: done };
}

function say(words: string): void {
  useStatus.setState({ undone: words });
}

/** Takes back the last edit of this tab. What others changed meanwhile stays. */
export function undo(): void {
  const step = past.at(-1);
  if (!step) return say('Nothing to undo');
  past = past.slice(0, -1);
  future = [...future, turn(step, true)];
  say(`Undone: ${step.name}`);
}

/** Does again what was taken back last. */
export function redo(): void {
  const step = future.at(-1);
  if (!step) return say('Nothing to redo');
  future = future.slice(0, -1);
  past = [...past, turn(step, false)];
  say(`Done again: ${step.name}`);
}
