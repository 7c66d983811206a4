import type { FileSystem } from '../job';
import type { System } from '../catalog/parts';

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
