import { temporal } from 'zundo';
import { create } from 'zustand';
import type { Job } from '@kymar/core/job';
import type { Part } from '@kymar/core/parts';
import { firstVisit, loadJob, loadJobs, removeJob, saveJob, seen, storedRevision } from './storage';

/** The shop's own parts and changes by `kind/id`; null hides one that ships. */
export type Held = Record<string, Part | null>;

interface Jobs {
  jobs: Record<string, Job>;
  parts: Held;
}

/** The jobs and the shop's parts as they stand on the screen. Only these are undone and redone, in one history. */
export const useJobs = create<Jobs>()(temporal<Jobs>(() => ({ jobs: {}, parts: {} }), { limit: 200, equality: (a, b) => a.jobs === b.jobs && a.parts === b.parts }));

interface Status {
  loaded: boolean;
  /** First visit of this browser: opens on the demo. */
  fresh: boolean;
  /** What could not be stored or read, in words. */
  trouble: string | null;
  saving: boolean;
  /** Parts of the library are being written. */
  savingParts: boolean;
}
export const useStatus = create<Status>(() => ({ loaded: false, fresh: false, trouble: null, saving: false, savingParts: false }));

const now = () => new Date().toISOString();

/** Changes a job; the change is saved by itself. */
export function changeJob(id: string, change: (job: Job) => Job): void {
  useJobs.setState(({ jobs }) => {
    const job = jobs[id];
    if (!job) return { jobs };
    const changed = change(job);
    return changed === job ? { jobs } : { jobs: { ...jobs, [id]: { ...changed, revision: job.revision + 1, changed: now() } } };
  });
}

/** Adds jobs, or puts them in the place of those with the same id. */
export function putJobs(list: readonly Job[]): void {
  useJobs.setState(({ jobs }) => ({ jobs: { ...jobs, ...Object.fromEntries(list.map((job) => [job.id, job])) } }));
}

export function dropJobs(ids: readonly string[]): void {
  useJobs.setState(({ jobs }) => ({ jobs: Object.fromEntries(Object.entries(jobs).filter(([id]) => !ids.includes(id))) }));
}

/** Steps back or forth. What comes back is a newer revision all the same: storage and other tabs must take it over. */
function step(way: 'undo' | 'redo'): void {
  const history = useJobs.temporal.getState();
  const before = useJobs.getState().jobs;
  history[way]();
  history.pause();
  useJobs.setState(({ jobs }) => ({
    jobs: Object.fromEntries(Object.entries(jobs).map(([id, job]) => [id, job === before[id] ? job : { ...job, revision: Math.max(job.revision, before[id]?.revision ?? 0) + 1 }])),
  }));
  history.resume();
}
export const undo = () => step('undo');
export const redo = () => step('redo');

/** What storage holds, by identity: whatever differs on the screen is waiting to be written. */
let written: Record<string, Job> = {};
/** Quick enough that nothing is lost between a press and a reload, slow enough to gather the letters of a word. */
const SAVE_AFTER = 120;
let timer: ReturnType<typeof setTimeout> | undefined;
let writing: Promise<void> = Promise.resolve();
const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('kymar-jobs');

/** Writes what is not written yet, one after the other. */
export function saveNow(): Promise<void> {
  clearTimeout(timer);
  writing = writing.then(async () => {
    const { jobs } = useJobs.getState();
    const before = written;
    const changed = Object.values(jobs).filter((job) => before[job.id] !== job);
    const gone = Object.keys(before).filter((id) => !jobs[id]);
    if (changed.length + gone.length === 0) return useStatus.setState({ saving: false });
    try {
      let trouble: string | null = null;
      for (const job of changed) trouble = (await write(job, before[job.id])) ?? trouble;
      for (const id of gone) {
        await removeJob(id);
        delete written[id];
        tabs?.postMessage({ id });
      }
      useStatus.setState({ trouble, saving: false });
    } catch (error) {
      useStatus.setState({ saving: false, trouble: `Not saved: ${(error as Error).message || 'the browser’s storage refused'}. Your work is still on the screen; export the job to a file now.` });
    }
  });
  return writing;
}

/** Writes a job unless another tab wrote a newer one meanwhile: then both are kept, ours under a new id. @returns what to say of it */
async function write(job: Job, base: Job | undefined): Promise<string | null> {
  const stored = await storedRevision(job.id);
  if (stored !== null && base && stored > base.revision) {
    const theirs = await loadJob(job.id);
    if (theirs && theirs.changed !== base.changed) {
      const copy: Job = { ...job, id: `${job.id.slice(0, 60)}-${crypto.randomUUID().slice(0, 8)}`, title: `${job.title} (from the other tab)`.slice(0, 160) };
      await saveJob(copy);
      written = { ...written, [theirs.id]: theirs, [copy.id]: copy };
      putJobs([theirs, copy]);
      return `“${job.title}” was changed in two tabs at once. Both versions are kept.`;
    }
  }
  await saveJob(job);
  written = { ...written, [job.id]: job };
  tabs?.postMessage({ id: job.id });
  return null;
}

/** Loads what is stored, and from then on saves every change within a second. */
export async function openStore(demo: () => Job[]): Promise<void> {
  let trouble: string | null = null;
  let fresh = false;
  try {
    const [first, stored] = await Promise.all([firstVisit(), loadJobs()]);
    fresh = first;
    written = Object.fromEntries(stored.jobs.map((job) => [job.id, job]));
    useJobs.setState({ jobs: written });
    if (stored.damaged.length > 0) trouble = `${stored.damaged.length} stored ${stored.damaged.length === 1 ? 'job cannot' : 'jobs cannot'} be read and ${stored.damaged.length === 1 ? 'is' : 'are'} left untouched: ${stored.damaged[0]!.problem}`;
  } catch (error) {
    trouble = `The browser’s storage cannot be used (${(error as Error).message}): nothing will be kept. Export jobs to files.`;
  }
  // A first visit that was cut off goes on where it was; what it had stored stays.
  const brought = fresh ? demo().filter((job) => !written[job.id]) : [];
  if (fresh) putJobs(brought);
  useJobs.temporal.getState().clear();
  useStatus.setState({ loaded: true, fresh, trouble });
  useJobs.subscribe((now, before) => {
    if (now.jobs === before.jobs) return;
    clearTimeout(timer);
    useStatus.setState({ saving: true });
    timer = setTimeout(() => void saveNow(), SAVE_AFTER);
  });
  if (fresh)
    writing = saveNow()
      .then(async () => {
        if (brought.every((job) => written[job.id])) await seen();
      })
      .catch(() => undefined);
  addEventListener('pagehide', () => void saveNow());
  const hold = (event: BeforeUnloadEvent) => event.preventDefault();
  useStatus.subscribe(({ saving, savingParts }) => (saving || savingParts ? addEventListener : removeEventListener)('beforeunload', hold));
  addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && void saveNow());
  tabs?.addEventListener('message', (event: MessageEvent<{ id: string }>) => void adopt(event.data.id));
}

/** Takes over what another tab wrote, unless this one has a change of its own waiting. */
async function adopt(id: string): Promise<void> {
  const { jobs } = useJobs.getState();
  if (jobs[id] !== written[id]) return;
  const job = await loadJob(id);
  if (!job) {
    delete written[id];
    dropJobs([id]);
  } else if (job.revision > (jobs[id]?.revision ?? -1)) {
    written = { ...written, [id]: job };
    putJobs([job]);
  }
}
