import { SHOP } from '@kymar/core/stock';
import { checkJob, type Job } from '@kymar/core/job';
import type { Part, Shop } from '@kymar/core/parts';
import { disks } from './disk';
import { overlaid } from './overlay';

/*
 * What is stored, as a worker reads it for itself: handing thousands of parts over from the page would stop it. The page writes what
 * waits before it asks.
 */
type Held = Record<string, Part | null>;

async function held(): Promise<Held> {
  const parts: Held = {};
  await disks.parts.iterate<unknown, void>((raw, key) => {
    parts[key] = raw == null || (typeof raw === 'object' && 'hidden' in raw) ? null : (raw as Part);
  });
  return parts;
}

export const storedParts = async (): Promise<Shop> => overlaid(SHOP, await held());

export async function storedJobs(): Promise<{ jobs: Record<string, Job>; parts: Held }> {
  const jobs: Record<string, Job> = {};
  await disks.jobs.iterate<unknown, void>((raw, key) => {
    const job = checkJob(raw);
    if (job.ok) jobs[key] = job.value;
  });
  return { jobs, parts: await held() };
}
