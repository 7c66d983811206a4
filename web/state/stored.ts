import { SHOP } from '@kymar/core/catalog/stock';
import { checkJob, type Job } from '@kymar/core/job';
import type { Part, Shop } from '@kymar/core/catalog/parts';
import { overlaid } from './overlay';

/*
 * What is stored, as a worker reads it for itself: handing thousands of parts over from the page would stop it. The page writes what
 * waits before it asks.
 */
type Held = Record<string, Part | null>;

/** All of a store at once: a cursor, as localForage has it, takes half a second for thousands. */
function all(name: string, store: string): Promise<[string, unknown][]> {
  return new Promise((resolve, reject) => {
    const open = indexedDB.open(name);
    open.onerror = () => reject(open.error as Error);
    // Not there yet: nothing is made that localForage would then find in another shape.
    open.onupgradeneeded = () => open.transaction?.abort();
    open.onsuccess = () => {
      const from = open.result.transaction(store).objectStore(store);
      const [keys, values] = [from.getAllKeys(), from.getAll()];
      values.onerror = () => reject(values.error as Error);
      values.onsuccess = () => {
        open.result.close();
        resolve(keys.result.map((key, i) => [String(key), values.result[i] as unknown]));
      };
    };
  });
}

async function held(): Promise<Held> {
  const entries = await all('kymar-parts', 'parts').catch(() => []);
  return Object.fromEntries(
    entries.map(([key, raw]) => [
      key,
      raw == null || (typeof raw === 'object' && 'hidden' in raw) ? null : (raw as Part),
    ]),
  );
}

export const storedParts = async (): Promise<Shop> => overlaid(SHOP, await held());

export async function storedJobs(): Promise<{ jobs: Record<string, Job>; parts: Held }> {
  const jobs: Record<string, Job> = {};
  for (const [key, raw] of await all('kymar', 'jobs').catch(() => [])) {
    const job = checkJob(raw);
    if (job.ok) jobs[key] = job.value;
  }
  return { jobs, parts: await held() };
}
