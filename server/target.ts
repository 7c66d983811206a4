import { createHash } from 'node:crypto';
import { mkdir, readFile, realpath, stat, statfs } from 'node:fs/promises';
import { totalmem } from 'node:os';
import { join } from 'node:path';
import type { Target } from '@kymar/core/bench';
import { format } from '@kymar/core/units';
import { labelsOf, mountOf, parseMounts } from './mounts';
import { probe } from './workfolder';

/** A folder as named at start. */
export interface Folder {
  path: string;
  /** Kymar's own folder is made when it is not there; one that was named must exist. */
  own: boolean;
}

/** Free space that stays free whatever is asked for: 5 % of the volume, at most 1 GB. */
export const reserveOf = (volume: number): number => Math.min(volume * 0.05, 1e9);

const text = (file: string) => readFile(file, 'utf8').catch(() => '');

/** Looks at a folder afresh: what it lies on, how much room a run has, and why nothing can run there. Never throws. */
export async function inspect({ path, own }: Folder, reserve: number | null): Promise<Target> {
  const id = createHash('sha256').update(path).digest('hex').slice(0, 12);
  const target: Target = { id, folder: path, device: null, fileSystem: null, room: 0, reserve: reserve ?? 0, memory: totalmem(), labels: [], problem: null };
  try {
    if (own) await mkdir(path, { recursive: true, mode: 0o700 });
    const folder = await realpath(path);
    if (!(await stat(folder)).isDirectory()) return { ...target, problem: `${path} is no folder. Start Kymar with --bench and a folder.` };
    const volume = await statfs(folder);
    target.reserve = reserve ?? reserveOf(volume.blocks * volume.bsize);
    target.room = Math.max(0, volume.bavail * volume.bsize - target.reserve);
    const mount = mountOf(parseMounts(await text('/proc/self/mountinfo')), folder);
    const mapped = mount ? await text(join('/sys/dev/block', `${mount.major}:${mount.minor}`, 'dm/uuid')) : '';
    Object.assign(target, { folder, device: mount?.device ?? null, fileSystem: mount?.fileSystem ?? null, labels: labelsOf(mount, mapped) });
    await probe(folder);
  } catch (error) {
    return { ...target, problem: refusal(path, error as NodeJS.ErrnoException) };
  }
  if (target.room < 1 << 20) target.problem = `No room: ${format(target.reserve, 'B')} stay free for the system. Free some space or start Kymar with another folder.`;
  return target;
}

function refusal(path: string, error: NodeJS.ErrnoException): string {
  switch (error.code) {
    case 'ENOENT':
      return `${path} does not exist. Create it or plug the drive in, then look again.`;
    case 'EROFS':
    case 'EACCES':
    case 'EPERM':
      return `${path} cannot be written to (read-only or no permission). Change that, or start Kymar with another folder.`;
    case 'ENOSPC':
      return `${path} is full. Free some space or start Kymar with another folder.`;
    default:
      return `${path} cannot be used: ${error.message}.`;
  }
}
