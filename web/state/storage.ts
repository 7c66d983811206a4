import localforage from 'localforage';
import { checkJob, type Job } from '@kymar/core/job';
import { KINDS, nameOf, type Kind, type Part } from '@kymar/core/parts';
import type { Held } from './jobs';

/*
 * The one module that touches the browser's storage. A job is one record, written whole: a crash loses at most the change that was not
 * written yet, never half a job. Records that cannot be read are left where they are and named.
 */
const jobs = localforage.createInstance({ name: 'kymar', storeName: 'jobs' });
// A database of its own: a second store in the first one would have it upgraded at the first visit.
const settings = localforage.createInstance({ name: 'kymar-settings', storeName: 'settings' });

const parts = localforage.createInstance({ name: 'kymar-parts', storeName: 'parts' });

export interface Stored {
  jobs: Job[];
  /** Records that are no sound job (any more): kept, not shown. */
  damaged: { key: string; problem: string }[];
}

export async function loadJobs(): Promise<Stored> {
  const stored: Stored = { jobs: [], damaged: [] };
  await jobs.iterate<unknown, void>((record, key) => {
    const read = checkJob(record);
    if (read.ok) stored.jobs.push(read.value);
    else stored.damaged.push({ key, problem: read.problems[0] ?? 'unreadable' });
  });
  return stored;
}

export async function loadJob(id: string): Promise<Job | null> {
  const read = checkJob(await jobs.getItem(id));
  return read.ok ? read.value : null;
}

/** Revision of a stored job; null when it is not there. */
export async function storedRevision(id: string): Promise<number | null> {
  const record = await jobs.getItem<Partial<Job>>(id);
  return record?.revision ?? null;
}

/** Writes a job. @throws Error when it is not sound: nothing is ever written that could not be read again */
export async function saveJob(job: Job): Promise<void> {
  const read = checkJob(job);
  if (!read.ok) throw new Error(`“${job.title}” is not sound: ${read.problems[0]}`);
  await jobs.setItem(job.id, job);
}

export const removeJob = (id: string): Promise<void> => jobs.removeItem(id);

/** Whether this browser has seen Kymar before; the first visit gets the demo. */
export const firstVisit = async (): Promise<boolean> => (await settings.getItem<string>('seen')) === null;

/** The first visit is over: what it brings is stored. */
export const seen = (): Promise<unknown> => settings.setItem('seen', new Date().toISOString());

/** The shop's own parts and changes by `kind/id`; a record that is no sound part (any more) is left where it is and not shown. */
export async function loadParts(): Promise<Held> {
  const held: Held = {};
  await parts.iterate<unknown, void>((record, key) => {
    const schema = KINDS[key.slice(0, key.indexOf('/')) as Kind];
    // A stored null comes back as undefined.
    if (record == null) held[key] = null;
    else if (schema?.safeParse(record).success) held[key] = record as Part;
  });
  return held;
}

/** Writes entries; undefined removes one. @throws Error when a part is not sound: nothing is ever written that could not be read again */
export async function saveParts(entries: readonly (readonly [key: string, part: Part | null | undefined])[]): Promise<void> {
  for (const [key, part] of entries) {
    const read = part ? KINDS[key.slice(0, key.indexOf('/')) as Kind].safeParse(part) : null;
    if (read && !read.success) throw new Error(`“${nameOf(part!)}” is not sound: ${read.error.issues[0]!.message}`);
  }
  // All at once: one after the other, thousands would take a minute.
  await Promise.all(entries.map(([key, part]) => (part === undefined ? parts.removeItem(key) : parts.setItem(key, part))));
}
