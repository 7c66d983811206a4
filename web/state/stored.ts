import { SHOP } from '@kymar/core/catalog/stock';
import { checkJob, type Job } from '@kymar/core/job';
import type { Part, Shop } from '@kymar/core/catalog/parts';
import { allOf } from './all';
import { fields } from './fields';
import { overlaid } from './overlay';

/*
 * What is stored, as a worker reads it for itself: handing thousands of parts over from the page would stop it. The page writes what
 * waits before it asks.
 */
type Held = Record<string, Part | null>;

async function held(): Promise<Held> {
  const entries = await allOf('kymar-parts', 'parts').catch(() => []);
  return Object.fromEntries(
    entries.map(([key, raw]) => [
      key,
      raw == null || (typeof raw === 'object' && 'hidden' in raw) ? null : (raw as Part),
    ]),
  );
}

export const storedParts = async (): Promise<Shop> => overlaid(SHOP, await held());

export async function storedJobs(): Promise<{ jobs: Record<string, Job>; parts: Held }> {
  const jobs = fields<Job>();
  for (const [key, raw] of await allOf('kymar', 'jobs').catch(() => [])) {
    const job = checkJob(raw);
    if (job.ok) jobs[key] = job.value;
  }
  return { jobs, parts: await held() };
}
