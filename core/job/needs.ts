import * as z from 'zod';
import { Copy } from '../models';
import { Fact } from '../evidence';
import { System } from '../catalog/parts';
import { asks } from '../units';
import { OldDrive } from './olddrive';
import { ROLE_NAMES } from './roles';
import { PolicyAnswers } from './policyanswers';

export const FileSystem = z.enum(['exFAT', 'NTFS', 'APFS', 'HFS+', 'ext4', 'XFS', 'Btrfs', 'FAT32', 'ZFS']);
export type FileSystem = z.infer<typeof FileSystem>;

export type Role = keyof typeof ROLE_NAMES;
const ROLES = Object.entries(ROLE_NAMES) as [Role, string][];
export const Role = z.enum(ROLES.map(([role]) => role) as [Role, ...Role[]]);

/** Requirements of a device beside its activities. What is absent was not asked. */
export const DeviceNeeds = z.object({
  role: asks('Role', Role.optional(), { choices: ROLES }),
  /** Systems that must read and write it, beside those of the machines it is used on. */
  systems: asks('Must work with', z.array(System.shape.family).max(5).optional(), {
    choices: [['own', 'Its own']],
  }),
  /** A machine boots from it. */
  bootDrive: asks('Boot drive', z.boolean().optional()),
  portable: asks('Portable', z.boolean().optional()),
  movesLater: asks('Moves to a faster machine later', z.boolean().optional()),
  onlyCopy: asks('Only copy of the data', z.boolean().optional()),
  /** Failed drives that must cost no data. */
  survives: asks('Must survive', z.union([z.literal(1), z.literal(2)]).optional(), {
    choices: [
      [1, 'one failed drive'],
      [2, 'two failed drives'],
    ],
  }),
  still: asks('No moving parts', z.boolean().optional()),
  quiet: asks('Quiet', z.boolean().optional()),
  noSupply: asks('No power supply of its own', z.boolean().optional()),
  /** °C that its drive may settle at. */
  hottest: asks('At most so hot', z.number().min(30).max(120).optional(), 'temperature'),
  /** The day by which its parts must be here. */
  hereBy: asks('Parts here by', z.iso.date().optional()),
  /** Why it may be worn out before its service life is over; absent: it may not. */
  shorterLife: asks('May wear out sooner, because', z.string().trim().min(1).max(300).optional()),
  fileSystem: asks('File system', FileSystem.optional()),
  table: asks('Partition table', z.enum(['GPT', 'MBR']).optional()),
  largestFile: asks('Largest single file', Fact.optional(), 'bytes'),
  /** Share of the drive, 0 to 1. */
  fill: asks('How full in everyday use, %', Fact.optional(), 'percent'),
  /** The copies of the data that are planned, the drive's own among them. */
  copies: z.array(Copy).max(20).optional(),
  /** What the drive's own counter of written bytes showed, on which day; oldest first. */
  counters: z
    .array(z.object({ on: z.iso.date(), written: z.number().nonnegative().max(1e18) }))
    .max(200)
    .optional(),
  /** The drive whose contents move over onto it. */
  old: OldDrive.optional(),
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
