/** All of a store of the browser's at once: a cursor, as localForage has it, takes half a second for thousands. */
export function allOf(name: string, store: string): Promise<[string, unknown][]> {
  return new Promise((resolve, reject) => {
    const open = indexedDB.open(name);
    open.onerror = () => reject(open.error ?? new Error('the database cannot be opened'));
    // Not there yet: nothing is made that localForage would then find in another shape.
    open.onupgradeneeded = () => open.transaction?.abort();
    open.onsuccess = () => {
      try {
        const from = open.result.transaction(store).objectStore(store);
        const [keys, values] = [from.getAllKeys(), from.getAll()];
        values.onerror = () => reject(values.error ?? new Error('the database cannot be read'));
        values.onsuccess = () => {
          open.result.close();
          resolve(keys.result.map((key, i) => [key as string, values.result[i] as unknown]));
        };
      } catch (error) {
        // Thrown here it would be nobody's, and who asked would wait.
        open.result.close();
        reject(error as Error);
      }
    };
  });
}
