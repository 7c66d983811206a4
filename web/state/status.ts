import { create } from 'zustand';
import type { StoreHealth } from './records';

interface Status {
  /** All stores have loaded what there was to load. */
  loaded: boolean;
  /** First visit of this browser: the job of the demo it opens on. */
  fresh: string | null;
  stores: Record<string, StoreHealth>;
  /** What undo or redo did last. */
  undone: string;
  /** Why the last change was not made; null once it was read. */
  refused: string | null;
}

/** How what is on the screen stands to what is stored. */
export const useStatus = create<Status>(() => ({
  loaded: false,
  fresh: null,
  stores: {},
  undone: '',
  refused: null,
}));

export const setHealth = (name: string) => (health: StoreHealth) =>
  useStatus.setState(({ stores }) => ({ stores: { ...stores, [name]: health } }));

const list = (stores: Status['stores']) => Object.values(stores);

/** `saved` only when everything is: what is being written is not yet, what failed is not at all. */
export function savedState({ stores }: Pick<Status, 'stores'>): 'saved' | 'saving' | 'not saved' {
  if (list(stores).some((s) => s.closed !== null || Object.keys(s.failed).length > 0)) return 'not saved';
  return list(stores).some((s) => s.busy || s.unsaved > 0) ? 'saving' : 'saved';
}

/** What is wrong with storage, in words; null when all is well. */
export function troubleOf({ stores }: Pick<Status, 'stores'>): string | null {
  const closed = list(stores).find((s) => s.closed !== null)?.closed;
  if (closed)
    return (
      `The browser’s storage cannot be used (${closed}): nothing is kept. Kymar goes on ` +
      'trying; until then export your jobs to files. In a private window, use an ordinary ' +
      'one.'
    );
  const failed = list(stores).flatMap((s) => Object.values(s.failed));
  if (failed.length === 0) return null;
  const [first] = failed;
  return (
    `Not saved: ${first}${failed.length > 1 ? `, and ${failed.length - 1} more` : ''}. ` +
    'Your work is still on the screen and is stored as soon as it can be; to be safe, ' +
    'export it to a file now.'
  );
}
