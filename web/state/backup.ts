import { create } from 'zustand';
import { BACKUP_VERSION, writeBackup, type Backup } from '@kymar/core/backup';
import { bin } from './bin';
import { useJobs } from './jobs';
import { setSetting, useSettings } from './settings';
import { useStatus } from './status';

/** How automatic back-up is doing. */
export const useBackup = create<{ state: 'off' | 'on' | 'asleep' | 'failed'; problem: string | null }>(
  () => ({ state: 'off', problem: null }),
);

/** A change is backed up so long after the last one, in ms. */
const AFTER = 20_000;
/** So many files of different days are kept in the folder. */
const MOST_FILES = 14;
const NAME = /^kymar-backup-\d{4}-\d{2}-\d{2}\.json$/;

/** Everything there is, as it stands on the screen. */
export async function everything(): Promise<Backup> {
  const { jobs, parts } = useJobs.getState();
  const { stores } = useStatus.getState();
  const aside = Object.entries(stores).flatMap(([store, { aside: list }]) =>
    list.map(({ key, raw }) => ({ store, key, raw })),
  );
  return {
    kymarBackup: BACKUP_VERSION,
    at: new Date().toISOString(),
    jobs: Object.values(jobs),
    parts,
    bin: await bin.all().catch(() => []),
    aside,
  };
}

export const backupName = (at: Date = new Date()): string =>
  `kymar-backup-${at.toISOString().slice(0, 10)}.json`;

type Folder = FileSystemDirectoryHandle & {
  queryPermission?(of: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission?(of: { mode: 'readwrite' }): Promise<PermissionState>;
  keys(): AsyncIterable<string>;
};
const folderNow = (): Folder | null => (useSettings.getState().backupFolder as Folder | undefined) ?? null;

/** Whether this browser can write into a folder of the person's choice. */
export const canChooseFolder = (): boolean => 'showDirectoryPicker' in globalThis;

async function write(folder: Folder): Promise<void> {
  const file = await folder.getFileHandle(backupName(), { create: true });
  const stream = await file.createWritable();
  await stream.write(writeBackup(await everything()));
  await stream.close();
  const old: string[] = [];
  for await (const name of folder.keys()) if (NAME.test(name)) old.push(name);
  for (const name of old.sort().slice(0, -MOST_FILES)) await folder.removeEntry(name);
}

/** Backs up into the chosen folder now. What goes wrong is told. */
export async function backUpNow(): Promise<void> {
  const folder = folderNow();
  if (!folder) return useBackup.setState({ state: 'off', problem: null });
  try {
    const allowed = (await folder.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
    if (allowed !== 'granted') return useBackup.setState({ state: 'asleep', problem: null });
    await write(folder);
    setSetting('backedUp', new Date().toISOString());
    useBackup.setState({ state: 'on', problem: null });
  } catch (error) {
    useBackup.setState({ state: 'failed', problem: (error as Error).message });
  }
}

/** Asks for a folder and begins at once. Does nothing when the person closes the question. */
export async function chooseFolder(): Promise<void> {
  const pick = (globalThis as unknown as { showDirectoryPicker(of: object): Promise<Folder> })
    .showDirectoryPicker;
  const folder = await pick({ id: 'kymar-backup', mode: 'readwrite' }).catch(() => null);
  if (!folder) return;
  setSetting('backupFolder', folder);
  await backUpNow();
}

/** Browsers forget the permission with the page: a press brings it back. */
export async function wakeUp(): Promise<void> {
  await folderNow()?.requestPermission?.({ mode: 'readwrite' });
  await backUpNow();
}

export function stopBackup(): void {
  setSetting('backupFolder', undefined);
  useBackup.setState({ state: 'off', problem: null });
}

let timer: ReturnType<typeof setTimeout> | undefined;
/** From the start on: every change is backed up a while after the last one. */
export function watchBackup(): void {
  void backUpNow();
  useJobs.subscribe(() => {
    if (!folderNow()) return;
    clearTimeout(timer);
    timer = setTimeout(() => void backUpNow(), AFTER);
  });
}
