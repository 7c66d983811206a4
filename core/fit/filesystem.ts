import type { FileSystem } from '../job';
import { middle } from '../evidence';
import { andList } from '../units';
import type { System } from '../catalog/parts';
import { familiesOf, type Facts } from './facts';

type Family = System['family'];

/** What a file system can and which systems take it [memory]. */
export interface FileSystemFacts {
  writes: readonly Family[];
  /** Systems that read it and do not write it. */
  reads: readonly Family[];
  journal: boolean;
  /** B of the largest file and volume; absent: beyond any drive. */
  largestFile?: number;
  largestVolume?: number;
}

const GiB = 2 ** 30;

export const FILE_SYSTEMS: Record<FileSystem, FileSystemFacts> = {
  exFAT: { writes: ['Windows', 'macOS', 'Linux', 'own'], reads: ['BSD'], journal: false },
  NTFS: { writes: ['Windows', 'Linux'], reads: ['macOS', 'BSD'], journal: true },
  APFS: { writes: ['macOS'], reads: [], journal: true },
  'HFS+': { writes: ['macOS'], reads: ['Linux'], journal: true },
  ext4: { writes: ['Linux'], reads: [], journal: true },
  XFS: { writes: ['Linux'], reads: [], journal: true },
  Btrfs: { writes: ['Linux'], reads: [], journal: true },
  FAT32: {
    writes: ['Windows', 'macOS', 'Linux', 'BSD', 'own'],
    reads: [],
    journal: false,
    largestFile: 4 * GiB - 1,
    largestVolume: 2 * 2 ** 40,
  },
  ZFS: { writes: ['Linux', 'BSD'], reads: [], journal: true },
};

/** The system's own file system, for a drive that only it uses. */
export const OWN_OF: Partial<Record<Family, FileSystem>> = {
  Windows: 'NTFS',
  macOS: 'APFS',
  Linux: 'ext4',
  BSD: 'ZFS',
};

/** First version of each system that brings a driver for NVMe, as a version's number goes, and one that needs an update for it [memory]. */
export const NVME_FROM: Partial<Record<Family, { from: number; withUpdate?: number }>> = {
  Windows: { from: 8, withUpdate: 7 },
  macOS: { from: 10.013 },
  Linux: { from: 3.003 },
};

/**
 * Whether a machine with a system of its own makes the file system: a recorder or a console does; a tablet takes what a computer has made where one
 * uses the drive too [practice].
 */
export function formatsByItself({
  external,
  host,
  needs,
}: Pick<Facts, 'needs' | 'host' | 'external'>): boolean {
  const takesAny = external && (host.kind === 'tablet' || host.kind === 'handheld');
  const asked = needs.systems ?? [];
  if (asked.includes('own')) return true;
  const families = familiesOf(host, needs);
  return families.includes('own') && !(takesAny && families.length > 1);
}

/** The file system a drive gets, and why: by the brief, else by the systems that must write it. Null: to be settled, or the device's own affair. */
export function fileSystemFor({
  needs,
  host,
  external,
  policies,
}: Pick<Facts, 'needs' | 'host' | 'external' | 'policies'>): { name: FileSystem | null; why: string } {
  if (needs.fileSystem) return { name: needs.fileSystem, why: 'the brief asks for it' };
  const families = familiesOf(host, needs);
  if (families.length === 0)
    return { name: null, why: 'nobody said which systems use it: ask before it is formatted' };
  if (formatsByItself({ external, host, needs }))
    return { name: null, why: 'the machine formats it itself when it first starts' };
  const [only, another] = families;
  const own = another === undefined ? OWN_OF[only!] : undefined;
  const isKept = external && policies.fileSystem === 'every system';
  if (own && !isKept)
    return { name: own, why: `only ${only} uses it, and this is its own: safer when a plug is pulled` };
  const name = (Object.keys(FILE_SYSTEMS) as FileSystem[]).find((one) => {
    const { writes, largestFile = Infinity } = FILE_SYSTEMS[one];
    return (
      families.every((family) => writes.includes(family)) && (middle(needs.largestFile) ?? 0) <= largestFile
    );
  });
  if (name === undefined)
    return {
      name: null,
      why: `no file system is written by ${andList(families)} alike: a network share, or two partitions`,
    };
  const isOwn = (family: Family) => family === 'own';
  const known = families.filter((family) => !isOwn(family));
  const who = [...known, ...(families.some(isOwn) ? [`most devices like ${host.name}`] : [])];
  const look = families.some(isOwn) ? '. Look it up in that device’s manual first' : '';
  const why = own
    ? `the job follows the policy of one that every system writes; ${own} would be safer for ${only} alone`
    : `${andList(who)} read and write it; a pulled plug can cost more than the file being written${look}`;
  return { name, why };
}
