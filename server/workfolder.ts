import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { lstat, mkdir, readdir, readFile, rm, rmdir, unlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/*
 * Everything Kymar writes goes into a sub-folder it makes itself, `.kymar-run-<random>`, holding `owner.json` and `data.bin` and nothing
 * else. The owner file is the journal: it names the process, so that the next start can tell a crashed run's folder from a living one's.
 * Nothing but these two names is ever removed.
 */
const PREFIX = '.kymar-run-';
const OWNER = 'owner.json';
export const DATA = 'data.bin';

interface Owner {
  pid: number;
  /** When that process started, in the kernel's clock ticks: process numbers are used again. */
  started: string;
}

/** Start time of a process in clock ticks since boot; empty when there is no such process or no /proc. */
function startOf(pid: number): string {
  try {
    // The second field is the command in brackets and may hold blanks: count from its end. Start time is field 22.
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function lives({ pid, started }: Owner): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ESRCH') return false;
  }
  return started === '' || startOf(pid) === started;
}

/** Makes a work folder inside a target. @returns its path */
export async function openWorkfolder(target: string): Promise<string> {
  const folder = join(target, PREFIX + randomBytes(8).toString('hex'));
  await mkdir(folder, { mode: 0o700 });
  try {
    const owner: Owner = { pid: process.pid, started: startOf(process.pid) };
    await writeFile(join(folder, OWNER), JSON.stringify(owner), { flag: 'wx', mode: 0o600 });
  } catch (error) {
    await rmdir(folder).catch(() => undefined);
    throw error;
  }
  return folder;
}

/** Removes a work folder with what Kymar put there. */
export async function closeWorkfolder(folder: string): Promise<void> {
  for (const name of [DATA, OWNER]) await rm(join(folder, name), { force: true });
  await rmdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'ENOENT') throw error;
  });
}

/** Tries whether a work folder can be made here. @throws the system's error when it cannot */
export async function probe(target: string): Promise<void> {
  await closeWorkfolder(await openWorkfolder(target));
}

/** Removes what crashed runs left in a target. @returns how many folders that were */
export async function sweep(target: string): Promise<number> {
  const names = await readdir(target).catch(() => [] as string[]);
  let swept = 0;
  for (const name of names.filter((n) => n.startsWith(PREFIX))) {
    const folder = join(target, name);
    const found = await lstat(folder).catch(() => null);
    if (!found?.isDirectory() || (process.getuid && found.uid !== process.getuid())) continue;
    const owner = await ownerOf(folder);
    if (owner && lives(owner)) continue;
    // A link put in the place of a file is removed itself, never what it points to: unlink does not follow.
    await unlink(join(folder, DATA)).catch(() => undefined);
    await closeWorkfolder(folder).then(
      () => swept++,
      () => undefined,
    );
  }
  return swept;
}

async function ownerOf(folder: string): Promise<Owner | null> {
  try {
    const owner = JSON.parse(await readFile(join(folder, OWNER), 'utf8')) as Owner;
    return Number.isInteger(owner.pid) && typeof owner.started === 'string' ? owner : null;
  } catch {
    return null;
  }
}
