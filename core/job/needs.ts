import * as z from 'zod';
import { Copy } from '../models/copies';
import { Fact } from '../evidence';
import { System } from '../catalog/parts';
import { Policies } from './policies';

export const FileSystem = z.enum(['exFAT', 'NTFS', 'APFS', 'HFS+', 'ext4', 'XFS', 'Btrfs', 'FAT32', 'ZFS']);
export type FileSystem = z.infer<typeof FileSystem>;

/** What a drive is for beside its activities, and what it must put up with. What is absent was not asked. */
export const Needs = z.object({
  role: z
    .enum(['system', 'projects', 'scratch', 'library', 'everyday', 'archive', 'backup', 'expansion'])
    .optional(),
  /** The host starts from it. */
  starts: z.boolean().optional(),
  /** Systems that must read and write it. */
  systems: z.array(System.shape.family).max(5).optional(),
  /** B of the largest single file. */
  largestFile: Fact.optional(),
  /** Air around it, °C. */
  ambient: z.number().min(-40).max(80).optional(),
  /** Share of the drive in use in everyday work, 0 to 1. */
  fill: Fact.optional(),
  /** The copies of the data that are planned, the drive's own among them. */
  copies: z.array(Copy).max(20).optional(),
  /** Is carried about. */
  travels: z.boolean().optional(),
  /** Will move to a faster host later. */
  movesLater: z.boolean().optional(),
  /** What is on it is nowhere else. */
  onlyCopy: z.boolean().optional(),
  table: z.enum(['GPT', 'MBR']).optional(),
  fileSystem: FileSystem.optional(),
  schools: Policies.partial().optional(),
});
export type Needs = z.infer<typeof Needs>;
