import { disks } from './disk';

/** Something that was removed: kept until the bin is emptied. */
export interface Binned {
  kind: string;
  key: string;
  raw: unknown;
  title: string;
  at: string;
}

const idOf = (kind: string, key: string): string => `${kind}/${key}`;

/** What was removed survives a reload here. */
export const bin = {
  put: async (thing: Omit<Binned, 'at'>): Promise<void> =>
    void (await disks.bin.setItem(idOf(thing.kind, thing.key), { ...thing, at: new Date().toISOString() })),
  has: async (kind: string, key: string): Promise<boolean> =>
    (await disks.bin.getItem(idOf(kind, key)).catch(() => null)) !== null,
  /** Keys of one kind that are in it. */
  keys: async (kind: string): Promise<string[]> =>
    (await disks.bin.keys()).filter((id) => id.startsWith(`${kind}/`)).map((id) => id.slice(kind.length + 1)),
  /** It is back where it was: nothing of it is left in the bin. */
  take: async (kind: string, key: string): Promise<void> =>
    disks.bin.removeItem(idOf(kind, key)).catch(() => undefined),
  /** All of it, removed last first. */
  async all(): Promise<Binned[]> {
    const found: Binned[] = [];
    await disks.bin.iterate<Binned, void>((thing) => void found.push(thing));
    return found.sort((a, b) => b.at.localeCompare(a.at));
  },
  empty: (): Promise<void> => disks.bin.clear(),
};
