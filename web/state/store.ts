import type { Job } from '@kymar/core/job';
import { clearHistory } from './history';
import { jobRecords, putJobs, useJobs } from './jobs';
import { partRecords } from './parts';
import { setSetting, settingRecords, useSettings } from './settings';
import { savedState, useStatus } from './status';

const all = [jobRecords, partRecords, settingRecords];

/** Writes what waits, at once. */
export const saveNow = async (): Promise<void> => void (await Promise.all(all.map((records) => records.save())));

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
  clearHistory();
  const { stores } = useStatus.getState();
  // Where nothing could be read, nobody knows whether this is a first visit: nothing is put over what may be there.
  const fresh = stores.settings?.closed === null && stores.jobs?.closed === null && useSettings.getState().seen === undefined;
  watch();
  // The demo is to be seen at once; that it is stored need not be waited for.
  const first = fresh ? await firstVisit(demo).catch(() => null) : null;
  useStatus.setState({ loaded: true, fresh: first });
}

function watch(): void {
  addEventListener('pagehide', () => void saveNow());
  addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden') void saveNow();
    else void Promise.all(all.map((records) => records.verify()));
  });
  const hold = (event: BeforeUnloadEvent) => event.preventDefault();
  let held = false;
  useStatus.subscribe((status) => {
    const holds = savedState(status) !== 'saved';
    if (holds === held) return;
    held = holds;
    (holds ? addEventListener : removeEventListener)('beforeunload', hold);
    if (!holds) void keepForGood();
  });
}

/** Asks the browser once not to clear what is stored, as soon as there is something of the person's own to lose. */
async function keepForGood(): Promise<void> {
  if (useSettings.getState().persisted !== undefined || useSettings.getState().seen === undefined) return;
  if (!navigator.storage?.persist || !Object.values(useJobs.getState().jobs).some((job) => !job.id.startsWith('demo-') || job.revision > 1)) return;
  setSetting('persisted', await navigator.storage.persist().catch(() => false));
}
