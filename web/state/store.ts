import type { Job } from '@kymar/core/job';
import { drafts } from './disk';
import { firstViewShown } from './idle';
import { clearHistory } from './history';
import { jobRecords, putJobs, useJobs } from './jobs';
import { partRecords } from './parts';
import type { UnsavedDraft } from './records';
import { setSetting, settingRecords, useSettings } from './settings';
import { savedState, useStatus } from './status';
import { noteSkew } from './watch';

const stores = { jobs: jobRecords, parts: partRecords, settings: settingRecords };
const all = Object.values(stores);
/** This page among those that may be left at the same time. */
const page = crypto.randomUUID();
type Drafts = Partial<Record<keyof typeof stores, UnsavedDraft[]>>;

/** A page that is left cannot wait for the storage: what is not written yet is put where it can be put at once. */
function leave(): void {
  noteSkew();
  const unsaved = Object.fromEntries(
    Object.entries(stores).map(([name, records]) => [name, records.unsaved()]),
  ) as Drafts;
  if (Object.values(unsaved).every((list) => list.length === 0)) return void settle();
  isDrafted = true;
  void drafts.setItem(page, unsaved).catch(() => undefined);
  void saveNow().then(settle);
}
let isDrafted = false;

/** What this page put down when it was hidden goes once all of it is stored; until then nothing of it does. */
async function settle(): Promise<void> {
  if (!isDrafted || all.some((records) => records.unsaved().length > 0)) return;
  isDrafted = false;
  await drafts.removeItem(page).catch(() => undefined);
}

/** What pages that were left could not write any more is laid over what is stored. */
async function resume(): Promise<void> {
  const left: [string, Drafts][] = [];
  await drafts.iterate<Drafts, void>((draft, key) => void left.push([key, draft])).catch(() => undefined);
  // The first view waits for it: what checks it must not wait for the first view.
  if (left.length > 0) firstViewShown();
  for (const [key, draft] of left) {
    const taken = [];
    for (const [name, records] of Object.entries(stores))
      taken.push(await records.resume(draft[name as keyof typeof stores] ?? []));
    // It is on the screen now; that it is stored need not be waited for. What cannot be stored is this page's to put down again.
    if (taken.every(Boolean))
      void saveNow()
        .then(() => leave())
        .then(() => drafts.removeItem(key))
        .catch(() => undefined);
  }
}

/** Writes what waits, at once. */
export const saveNow = async (): Promise<void> =>
  void (await Promise.all(all.map((records) => records.save())));

/** The jobs a first visit finds; their making is fetched only then. */
type Demo = () => Job[] | Promise<Job[]>;

/** A first visit that was cut off goes on where it was; what it had stored stays. It is over once what it brought is stored. */
async function firstVisit(demo: Demo): Promise<string | null> {
  const jobs = await demo();
  const there = useJobs.getState().jobs;
  putJobs(jobs.filter((job) => !there[job.id]));
  clearHistory();
  void jobRecords.save().then(over);
  return jobs[0]?.id ?? null;
}

function over(): void {
  if (useStatus.getState().stores.jobs?.unsaved === 0) setSetting('seen', new Date().toISOString());
}

/** Loads what is stored, and from then on saves every change within a second, each record for itself. */
export async function openStore(demo: Demo): Promise<void> {
  await Promise.all(all.map((records) => records.open()));
  await resume();
  clearHistory();
  const { stores: health } = useStatus.getState();
  // Where nothing could be read, nobody knows whether this is a first visit: nothing is put over what may be there.
  const fresh =
    health.settings?.closed === null &&
    health.jobs?.closed === null &&
    useSettings.getState().seen === undefined;
  watch();
  // The demo is to be seen at once; that it is stored need not be waited for.
  const first = fresh ? await firstVisit(demo).catch(() => null) : null;
  useStatus.setState({ loaded: true, fresh: first });
}

function watch(): void {
  addEventListener('pagehide', leave);
  // Back from where it was put to sleep: it writes by itself what it still holds.
  addEventListener(
    'pageshow',
    () =>
      void saveNow()
        .then(settle)
        .catch(() => undefined),
  );
  addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden') leave();
    else void Promise.all(all.map((records) => records.verify()));
  });
  const hold = (event: BeforeUnloadEvent) => event.preventDefault();
  let held = false;
  useStatus.subscribe((status) => {
    const holds = savedState(status) !== 'saved';
    if (!holds) void settle();
    if (holds === held) return;
    held = holds;
    (holds ? addEventListener : removeEventListener)('beforeunload', hold);
    if (!holds) void keepForGood();
  });
}

/** Asks the browser once not to clear what is stored, as soon as there is something of the person's own to lose. */
async function keepForGood(): Promise<void> {
  if (useSettings.getState().persisted !== undefined || useSettings.getState().seen === undefined) return;
  if (
    !navigator.storage?.persist ||
    !Object.values(useJobs.getState().jobs).some((job) => !job.id.startsWith('demo-') || job.revision > 1)
  )
    return;
  setSetting('persisted', await navigator.storage.persist().catch(() => false));
}
