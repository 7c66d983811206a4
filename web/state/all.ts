/*
 * Many records of the browser's storage at once: a transaction for each, as localForage has it, takes minutes for thousands.
 */

function opened(name: string): Promise<IDBDatabase> {
  return new Promise((resolve, reject) => {
    const open = indexedDB.open(name);
    open.onerror = () => reject(open.error ?? new Error('the database cannot be opened'));
    // Not there yet: nothing is made that localForage would then find in another shape.
    open.onupgradeneeded = () => open.transaction?.abort();
    open.onsuccess = () => resolve(open.result);
  });
}

/** All of a store. */
export async function allOf(name: string, store: string): Promise<[string, unknown][]> {
  const database = await opened(name);
  try {
    return await new Promise((resolve, reject) => {
      const from = database.transaction(store).objectStore(store);
      const [keys, values] = [from.getAllKeys(), from.getAll()];
      values.onerror = () => reject(values.error ?? new Error('the database cannot be read'));
      values.onsuccess = () =>
        resolve(keys.result.map((key, i) => [key as string, values.result[i] as unknown]));
    });
  } finally {
    database.close();
  }
}

/** Puts records into a store that are not there, all or none of them. @returns the keys of those that were not */
export async function addTo(
  name: string,
  store: string,
  entries: readonly [string, unknown][],
): Promise<string[]> {
  const database = await opened(name);
  try {
    return await new Promise((resolve, reject) => {
      const going = database.transaction(store, 'readwrite');
      const to = going.objectStore(store);
      const added: string[] = [];
      for (const [key, raw] of entries) {
        const there = to.getKey(key);
        there.onsuccess = () => {
          if (there.result !== undefined) return;
          to.put(raw, key);
          added.push(key);
        };
      }
      going.oncomplete = () => resolve(added);
      going.onabort = () => reject(going.error ?? new Error('the browser’s storage refused'));
    });
  } finally {
    database.close();
  }
}
