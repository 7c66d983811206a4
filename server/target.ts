import { createHash } from 'node:crypto';
import { realpath, stat, statfs } from 'node:fs/promises';
import { totalmem } from 'node:os';
import type { RunTarget } from '@kymar/core/measure';
import { format } from '@kymar/core/units';
import { layersOf } from './layers';
import { ownFolder } from './state';
import { probe } from './workfolder';

/** A folder as named at start. */
export interface Folder {
  path: string;
  /** Kymar's own folder is made when it is not there; one that was named must exist. */
  own: boolean;
}

/** A folder with what the server alone needs to know of it. */
export interface TargetPlace extends RunTarget {
  devices: string[];
}

/** Free space that stays free whatever is asked for: 5 % of the volume, at most 1 GB. */
export const reserveOf = (volume: number): number => Math.min(volume * 0.05, 1e9);

/**
 * Looks at a folder afresh: what it lies on, how much room a run has, and why nothing can run there. Never throws.
 * @param isWritten whether anything may be written there
 */
export async function inspect(
  { path, own }: Folder,
  reserve: number | null,
  isWritten = true,
): Promise<TargetPlace> {
  const id = createHash('sha256').update(path).digest('hex').slice(0, 12);
  const place: TargetPlace = {
    id,
    folder: path,
    device: null,
    fileSystem: null,
    room: 0,
    reserve: reserve ?? 0,
    memory: totalmem(),
    labels: [],
    way: '',
    devices: [],
    problem: null,
  };
  try {
    if (own) ownFolder(path);
    const folder = await realpath(path);
    if (!(await stat(folder)).isDirectory())
      return { ...place, problem: `${path} is no folder. Start Kymar with --bench and a folder.` };
    const volume = await statfs(folder);
    place.reserve = reserve ?? reserveOf(volume.blocks * volume.bsize);
    place.room = Math.max(0, volume.bavail * volume.bsize - place.reserve);
    // Before it is followed down: a folder of an overlay is in its upper layer once something was written there.
    const refused = isWritten ? refusalOf(folder) : null;
    const { mount, labels, devices, way } = await layersOf(folder);
    Object.assign(place, {
      folder,
      device: mount?.device ?? null,
      fileSystem: mount?.fileSystem ?? null,
      labels,
      devices,
      way: way.join(' on '),
    });
    // Where nothing is known of devices, the file system itself is one.
    if (devices.length === 0) place.devices = [`file system ${(await stat(folder)).dev}`];
    if (refused) throw refused;
  } catch (error) {
    return { ...place, problem: refusal(path, error as NodeJS.ErrnoException) };
  }
  if (isWritten && place.room < 1 << 20)
    place.problem = `No room: ${format(place.reserve, 'B')} stay free for the system. Free some space or start Kymar with another folder.`;
  return place;
}

/** Why nothing can be written there; null where it can. */
function refusalOf(folder: string): Error | null {
  try {
    probe(folder);
    return null;
  } catch (error) {
    return error as Error;
  }
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

/** What a page is told of a folder. */
export const asTarget = ({ devices: _, ...target }: TargetPlace): RunTarget => target;
