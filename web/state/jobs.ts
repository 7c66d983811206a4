import { timeOfDay } from '@kymar/core/units';
import { create } from 'zustand';
import { jobPlaces, mergeJobs, nameOfChange, overfull, VERSION, witness, type Job } from '@kymar/core/job';
import type { Part } from '@kymar/core/catalog/parts';
import { checkedJob } from './check';
import { disks } from './disk';
import { fields } from './fields';
import { record, undoable } from './history';
import { Records } from './records';
import { setHealth, useStatus } from './status';

/** The shop's own parts and changes by `kind/id`; null hides one that ships. */
export type Held = Record<string, Part | null>;

interface OnScreen {
  jobs: Record<string, Job>;
  parts: Held;
}

/** The jobs and the shop's parts as they stand on the screen. */
export const useJobs = create<OnScreen>(() => ({ jobs: fields(), parts: fields() }));

const now = () => new Date().toISOString();
type Changes = Record<string, Job | undefined>;

/** Puts jobs on the screen, or takes them off. */
function show(changes: Changes): void {
  useJobs.setState(({ jobs }) => {
    const next = fields(jobs);
    for (const [id, job] of Object.entries(changes)) {
      if (job) next[id] = job;
      else delete next[id];
    }
    return { jobs: next };
  });
}

/** An edit of this tab's: one step of undo, by its name. */
function edit(changes: Changes, name: string, field: string | null = null): void {
  const { jobs } = useJobs.getState();
  const list = Object.entries(changes).map(([key, after]) => ({
    store: 'jobs',
    key,
    before: jobs[key],
    after,
  }));
  show(changes);
  record(name, list, field);
}

/** Where letters are typed: the places of text and figures, not lists that grow. */
function fieldOf(before: Job, after: Job): string | null {
  const places = jobPlaces(before, after);
  const grown =
    before.runs.length !== after.runs.length ||
    before.activities.length !== after.activities.length ||
    before.forecasts.length !== after.forecasts.length;
  return grown || places.length !== 1 ? null : `${after.id} ${places[0]}`;
}

/** Changes a job; the change is saved by itself. What happens to its evidence is entered into its chain. */
export function changeJob(id: string, change: (job: Job) => Job): void {
  const job = useJobs.getState().jobs[id];
  if (!job) return;
  const changed = change(job);
  if (changed === job) return;
  // What the file cannot hold is not made: it could never be stored.
  const full = overfull(changed);
  if (full !== null) return useStatus.setState({ refused: full });
  const after = witness(job, { ...changed, revision: job.revision + 1, changed: now() }, now());
  edit({ [id]: after }, nameOfChange(job, after), fieldOf(job, after));
}

/** Adds jobs, or puts them in the place of those with the same id. */
export function putJobs(list: readonly Job[], name?: string): void {
  if (list.length === 0) return;
  const { jobs } = useJobs.getState();
  const [first] = list as [Job];
  const words = list.length === 1 ? nameOfChange(jobs[first.id], first) : `${list.length} jobs added`;
  edit(Object.fromEntries(list.map((job) => [job.id, witness(null, job, now())])), name ?? words);
}

export function dropJobs(ids: readonly string[], name?: string): void {
  const { jobs } = useJobs.getState();
  const there = ids.filter((id) => jobs[id]);
  if (there.length === 0) return;
  edit(
    Object.fromEntries(there.map((id) => [id, undefined])),
    name ?? (there.length === 1 ? nameOfChange(jobs[there[0]!], undefined) : `${there.length} jobs removed`),
  );
}

/** The way from one state of a job to another, laid over what it is now. What others did stays. */
function relay(before: unknown, after: unknown, current: unknown): unknown {
  const [was, is, job] = [before, after, current] as [Job | undefined, Job | undefined, Job | undefined];
  if (!was) return job ?? is;
  if (!is) return job && jobPlaces(was, job).length === 0 ? undefined : job;
  if (!job) return undefined;
  const { value } = mergeJobs(was, is, job);
  // The chain only ever grows: taking back is told there too.
  const back = {
    ...value,
    revision: job.revision + 1,
    changed: now(),
    ...(job.chain ? { chain: job.chain } : {}),
  };
  return witness(job, back, now());
}

undoable('jobs', {
  now: (key) => useJobs.getState().jobs[key],
  relay,
  apply: (changes) => show(changes as Changes),
});

/** A name for the version of a job that a tab kept to itself. */
function ownVersion(job: Job): Job {
  const time = timeOfDay(new Date());
  const ending = ` (other tab’s version, ${time})`;
  return {
    ...job,
    id: `${job.id.slice(0, 60)}-${crypto.randomUUID().slice(0, 8)}`,
    title: `${job.title.slice(0, 160 - ending.length)}${ending}`,
  };
}

const LISTS = ['machines', 'devices', 'connections', 'activities', 'forecasts', 'runs'] as const;

/** Whether it looks like a job that this version wrote. */
function isOurs(raw: unknown, key: string): raw is Job {
  if (typeof raw !== 'object' || raw === null) return false;
  const job = raw as Partial<Job>;
  return (
    job.kymarVersion === VERSION &&
    job.id === key &&
    typeof job.title === 'string' &&
    LISTS.every((list) => Array.isArray(job[list]))
  );
}

export const jobRecords = new Records<Job>(
  {
    name: 'jobs',
    disk: disks.jobs,
    check: checkedJob,
    trusted: (raw, key) => (isOurs(raw, key) ? raw : undefined),
    toDisk: (job) => job,
    merge: (base, mine, theirs) =>
      base ? mergeJobs(base, mine, theirs) : { value: theirs, conflicts: ['the whole job'] },
    copy: (job) => {
      const value = ownVersion(job);
      return { key: value.id, value };
    },
    title: (job) => job.title,
    // What was removed at an earlier revision, or the same, is in it.
    holds: (job, raw) => isOurs(raw, job.id) && raw.revision <= job.revision && raw.changed <= job.changed,
  },
  {
    get: () => useJobs.getState().jobs,
    adopt: show,
    subscribe: (listener) => void useJobs.subscribe((is, was) => is.jobs !== was.jobs && listener()),
  },
  setHealth('jobs'),
);
