import * as z from 'zod';
import { Copy } from '../models/copies';
import { Fact } from '../evidence';
import { System } from '../catalog/parts';
import { PolicyAnswers } from './policyanswers';

export const FileSystem = z.enum(['exFAT', 'NTFS', 'APFS', 'HFS+', 'ext4', 'XFS', 'Btrfs', 'FAT32', 'ZFS']);
export type FileSystem = z.infer<typeof FileSystem>;

export const Role = z.enum([
  'system',
  'projects',
  'scratch',
  'library',
  'everyday',
  'archive',
  'backup',
  'expansion',
]);
export type Role = z.infer<typeof Role>;

/** Requirements of a device beside its activities. What is absent was not asked. */
export const DeviceNeeds = z.object({
  role: Role.optional(),
  /** A machine boots from it. */
  bootDrive: z.boolean().optional(),
  /** Systems that must read and write it, beside those of the machines it is used on. */
  systems: z.array(System.shape.family).max(5).optional(),
  /** B of the largest single file. */
  largestFile: Fact.optional(),
  /** Share of the drive in use in everyday work, 0 to 1. */
  fill: Fact.optional(),
  /** The copies of the data that are planned, the drive's own among them. */
  copies: z.array(Copy).max(20).optional(),
  portable: z.boolean().optional(),
  /** Will move to a faster machine later. */
  movesLater: z.boolean().optional(),
  /** The only copy of the data. */
  onlyCopy: z.boolean().optional(),
  table: z.enum(['GPT', 'MBR']).optional(),
  fileSystem: FileSystem.optional(),
  /** What the drive's own counter of written bytes showed, on which day; oldest first. */
  counters: z
    .array(z.object({ on: z.iso.date(), written: z.number().nonnegative().max(1e18) }))
    .max(200)
    .optional(),
  /** When it was first used, where that is known. */
  inUseSince: z.iso.date().optional(),
  /** A full format goes before the first copy. */
  formatFirst: z.boolean().optional(),
  /** When the first of its tasks starts, in the shop's own time, e.g. `2031-03-05T17:00`; absent: now. */
  starts: z.iso.datetime({ local: true, offset: false }).optional(),
});
export type DeviceNeeds = z.infer<typeof DeviceNeeds>;

/** °C around a machine. */
export const Ambient = z.number().min(-40).max(80);

/** What models and rules ask of one device on one machine: the device's own, the machine's ambient temperature, the job's policies. */
export const Needs = DeviceNeeds.extend({
  ambient: Ambient.optional(),
  policies: PolicyAnswers.partial().optional(),
});
export type Needs = z.infer<typeof Needs>;
