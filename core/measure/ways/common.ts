import * as z from 'zod';
import { Id } from '../../catalog/parts';
import { Stated } from '../../job';

/** What a real run is for. */
export const Purpose = z.object({
  job: Id,
  /** The activity it stands for; absent: a synthetic run. */
  activity: Id.nullable().optional(),
  /** Where it is measured: the job's own path, another place by its key, or null for some other drive. */
  place: z.string().max(330).nullable(),
  note: z.string().max(400),
  temperature: z.number().min(-100).max(300).nullable(),
  cold: z.boolean().nullable().optional(),
  stated: Stated.optional(),
});
export type Purpose = z.infer<typeof Purpose>;

/** What is the same for all that works in a folder. */
export const everyRequest = {
  /** What the page will do with the result; the server keeps it with the run, so that a page that comes back knows. */
  purpose: Purpose.optional(),
  /** Waits for its turn where the device is at work; absent: it is refused then. */
  queue: z.boolean().optional(),
};
/** A folder the server was started with, by its id. */
export const folder = z.string().min(1).max(40);

/** B of a file, at least so many. */
export const size = (least: number, words: string) =>
  z
    .number()
    .int()
    .min(least, { error: `must be at least ${words}` })
    .max(64e12);

/**
 * What stands between a folder and a drive: memory instead of one; memory before one (a file served as a disk); a network;
 * layers that compress or encrypt; something that could not be followed down to a device.
 */
const Label = z.enum([
  'memory-backed',
  'cached-through',
  'network',
  'compressed',
  'encrypted',
  'not followed',
]);
export type TargetLabel = z.infer<typeof Label>;

export const amount = z.number().nonnegative();

/** A folder for real runs, as the server sees it. */
export const RunTarget = z.object({
  id: z.string(),
  folder: z.string(),
  /** Device and file system it lies on, where known. */
  device: z.string().nullable(),
  fileSystem: z.string().nullable(),
  /** B free for a run, the reserve already taken off. */
  room: amount,
  reserve: amount,
  memory: amount,
  /** What makes a figure from here doubtful. */
  labels: z.array(Label),
  /** The way down to the device in words, e.g. `ext4 on nvme0n1p2`. */
  way: z.string(),
  /** Why nothing can run here; null when it can. */
  problem: z.string().nullable(),
});
export type RunTarget = z.infer<typeof RunTarget>;

/** Something whose work can be watched. */
export const Watchable = z.object({
  id: z.string(),
  /** By the device's counters, or by how a folder grows where the system offers none. */
  how: z.enum(['counters', 'growth']),
  /** Maker and model as the system says, or the folder. */
  name: z.string(),
  /** B; null: not known. */
  size: amount.nullable(),
  /** As the drive says it, where the system tells; absent: not told. */
  serial: z.string().optional(),
  /** Kymar's folders that lie on it. */
  folders: z.array(z.string()),
});
export type Watchable = z.infer<typeof Watchable>;

export const RunDirection = z.enum(['read', 'write']);
/** Past the host's memory, or through it. */
export const throughMemory = z.enum(['direct', 'buffered']);
export const samples = z.array(z.object({ t: amount, bytes: amount }));

/** What could not be cleaned up, in words. */
export const left = z.string().optional();
/** °C of the drive as a run began, and at most while it went on, where the system offers them. */
const warmth = z.object({ start: z.number(), most: z.number() }).optional();
export type Warmth = z.infer<typeof warmth>;
/** What is told at the end of whatever worked in a folder. */
export const ended = { target: RunTarget, left, warmth };
