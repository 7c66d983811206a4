import equal from 'fast-deep-equal';
import { disks } from './disk';

/** Something that was removed: kept until the bin is emptied. */
export interface Binned {
  kind: string;
  key: string;
  raw: unknown;
  title: string;
  at: string;
}

/** One record may be in it in several states, each for itself. Of an older Kymar it bears no moment. */
const idOf = ({ kind, key, at }: Pick<Binned, 'kind' | 'key' | 'at'>): string => `${kind}/${key}/${at}`;
const MOMENT = /\/\d{4}-\d\d-\d\dT[\d:.]+Z$/;
const withoutMoment = (id: string): string => id.replace(MOMENT, '');

const idsOf = async (kind: string, key: string): Promise<string[]> =>
  (await disks.bin.keys()).filter((id) => withoutMoment(id) === `${kind}/${key}`);

/** What was removed survives a reload here. */
export const bin = {
  put: async (thing: Omit<Binned, 'at'>): Promise<void> => {
    const binned = { ...thing, at: new Date().toISOString() };
    await disks.bin.setItem(idOf(binned), binned);
  },
  has: async (kind: string, key: string): Promise<boolean> =>
    (await idsOf(kind, key).catch(() => [])).length > 0,
  /** Keys of one kind that are in it. */
  keys: async (kind: string): Promise<string[]> =>
    (await disks.bin.keys())
      .map(withoutMoment)
      .filter((id) => id.startsWith(`${kind}/`))
      .map((id) => id.slice(kind.length + 1)),
  /**
   * A record is back where it was: of its states here those go that it holds. One that somebody worked on further stays.
   * @param holds whether what is back holds all of a state
   */
  async take(kind: string, key: string, holds: (raw: unknown) => boolean): Promise<void> {
    for (const id of await idsOf(kind, key).catch(() => [])) {
      const thing = await disks.bin.getItem<Binned>(id).catch(() => null);
      if (thing && holds(thing.raw)) await disks.bin.removeItem(id).catch(() => undefined);
    }
  },
  /** Takes out one that was brought back. */
  drop: async (thing: Binned): Promise<void> => {
    for (const id of [idOf(thing), `${thing.kind}/${thing.key}`])
      if (equal(await disks.bin.getItem(id), thing)) await disks.bin.removeItem(id);
  },
  /** All of it, removed last first. */
  async all(): Promise<Binned[]> {
    const found: Binned[] = [];
    await disks.bin.iterate<Binned, void>((thing) => void found.push(thing));
    return found.sort((a, b) => b.at.localeCompare(a.at));
  },
  empty: (): Promise<void> => disks.bin.clear(),
};
