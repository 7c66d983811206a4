import { changedPlaces, merge3, type Merged } from '../merge';
import { doubtsOf, joinChains, settleChain } from './chain';
import type { Job } from './job';

/** Counted and dated by every change: no change of their own. The chain is joined, not merged. */
const KEPT = ['revision', 'changed', 'chain'] as const;
const WORDS: Partial<Record<keyof Job, string>> = {
  title: 'title',
  customer: 'customer',
  contact: 'contact',
  used: 'health page of a drive that is there',
  due: 'due date',
  note: 'note',
  policies: 'policy',
  connections: 'connection',
  serviceYears: 'service life',
  budget: 'budget',
  decision: 'decision',
  fittings: 'set-up',
  choices: 'choice',
};

const bare = (job: Job): Partial<Job> =>
  Object.fromEntries(Object.entries(job).filter(([key]) => !(KEPT as readonly string[]).includes(key)));

/** Where two states of a job differ in what people enter. */
export const jobPlaces = (before: Job, after: Job): string[] => changedPlaces(bare(before), bare(after));

function listWords(name: string, before: readonly unknown[], after: readonly unknown[]): string {
  const by = after.length - before.length;
  if (by === 0) return name;
  const many = Math.abs(by) > 1 ? `${Math.abs(by)} ${name === 'activity' ? 'activities' : `${name}s`}` : name;
  return `${many} ${by > 0 ? 'added' : 'removed'}`;
}

/** What a change did, in a few words: what undo calls it. */
export function nameOfChange(before: Job | undefined, after: Job | undefined): string {
  if (!before) return `new job “${after?.title ?? ''}”`;
  if (!after) return `job “${before.title}” removed`;
  // What comes or goes takes its activities and connections along.
  if (before.machines.length !== after.machines.length)
    return listWords('machine', before.machines, after.machines);
  if (before.devices.length !== after.devices.length) {
    const isNew = ({ id }: { id: string }) => !before.devices.some((d) => d.id === id);
    const withParts = after.devices.some((d) => d.parts && isNew(d));
    return withParts ? 'parts' : listWords('device', before.devices, after.devices);
  }
  const [place = ''] = jobPlaces(before, after);
  const [key, id] = place.split('.');
  if (key === 'runs' && before.runs.length === after.runs.length) {
    const aside = (job: Job) => job.runs.filter((run) => run.excluded).length;
    return aside(after) > aside(before)
      ? 'run set aside'
      : aside(after) < aside(before)
        ? 'run used again'
        : 'run changed';
  }
  if (key === 'runs') return listWords('run', before.runs, after.runs);
  if (key === 'forecasts')
    return before.forecasts.length < after.forecasts.length
      ? 'forecast frozen'
      : listWords('frozen forecast', before.forecasts, after.forecasts);
  if (key === 'activities') {
    const name = after.activities.find((a) => a.id === id)?.name;
    return before.activities.length === after.activities.length && name
      ? `activity “${name}”`
      : listWords('activity', before.activities, after.activities);
  }
  if (key === 'machines') return 'machine';
  if (key === 'devices') return place.split('.')[2] === 'parts' ? 'parts' : 'requirements';
  if (key === 'archived') return after.archived ? 'job archived' : 'job taken out of the archive';
  return WORDS[key as keyof Job] ?? 'change';
}

/** What is measured or frozen is never mixed out of two. */
const isEvidence = (place: string): boolean =>
  /^(runs|forecasts)\.[^.]+$/.test(place) || place === 'decision';

/** Two changes of one job, brought together; its revision is above both, its chain tells of both. */
export function mergeJobs(base: Job, mine: Job, theirs: Job): Merged<Job> {
  const { value, conflicts } = merge3(bare(base), bare(mine), bare(theirs), isEvidence);
  const chain = mine.chain || theirs.chain ? { chain: joinChains(mine.chain ?? [], theirs.chain ?? []) } : {};
  const job = {
    ...(value as Job),
    kymarVersion: theirs.kymarVersion,
    revision: Math.max(mine.revision, theirs.revision) + 1,
    changed: mine.changed > theirs.changed ? mine.changed : theirs.changed,
    ...chain,
  };
  // A run kept here that was removed there, say: the joined chain ends with the removal. What was in doubt before stays so.
  const before = new Set([...doubtsOf(mine), ...doubtsOf(theirs)].map((d) => `${d.what} ${d.id}`));
  const unsettled = doubtsOf(job).filter((d) => !before.has(`${d.what} ${d.id}`));
  return { value: settleChain(job, unsettled, job.changed), conflicts };
}
