import localforage from 'localforage';
import { addTo, allOf } from './all';

/*
 * The places of the browser's storage. A database for each: a second store in one of them would have it upgraded at the first visit,
 * and an upgrade waits for every other tab.
 */
export const disks = {
  jobs: localforage.createInstance({ name: 'kymar', storeName: 'jobs' }),
  parts: localforage.createInstance({ name: 'kymar-parts', storeName: 'parts' }),
  settings: localforage.createInstance({ name: 'kymar-settings', storeName: 'settings' }),
  bin: localforage.createInstance({ name: 'kymar-bin', storeName: 'bin' }),
};

/** Where a page that is being left puts what it could not write any more: this driver writes in the same turn. */
export const drafts = localforage.createInstance({ name: 'kymar-drafts', driver: localforage.LOCALSTORAGE });

/** All that is in a place of the storage, each with its key. */
export async function allIn(disk: LocalForage): Promise<[string, unknown][]> {
  await disk.ready();
  const { name, storeName } = disk.config();
  if (disk.driver() === localforage.INDEXEDDB) return allOf(name!, storeName!);
  const found: [string, unknown][] = [];
  await disk.iterate<unknown, void>((raw, key) => void found.push([key, raw]));
  return found;
}

/** Puts records that are not there yet, all in one go. @returns the keys of those that were not */
export async function addIn(disk: LocalForage, entries: readonly [string, unknown][]): Promise<string[]> {
  if (entries.length === 0) return [];
  await disk.ready();
  const { name, storeName } = disk.config();
  return disk.driver() === localforage.INDEXEDDB ? addTo(name!, storeName!, entries) : [];
}

/** Storage that has not answered by then hangs, in ms. */
const PATIENCE = 10_000;

/** What was asked of the storage, or an error when it does not answer. */
export async function answered<T>(asked: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('the browser’s storage does not answer')), PATIENCE);
  });
  try {
    return await Promise.race([asked, late]);
  } finally {
    clearTimeout(timer);
  }
}
