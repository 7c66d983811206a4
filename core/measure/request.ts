import * as z from 'zod';
import { Id } from '../catalog/parts';

/** What a real run is for. */
export const Purpose = z.object({
  job: Id,
  /** Where it is measured: the job's own path, another place by its key, or null for some other drive. */
  place: z.string().max(330).nullable(),
  note: z.string().max(400),
  temperature: z.number().min(-100).max(300).nullable(),
});
export type Purpose = z.infer<typeof Purpose>;

/** A real run the server is asked for. */
export const RunRequest = z.object({
  /** Id of one of the folders the server was started with. */
  target: z.string().min(1).max(40),
  /** Write a file, or write it and read it back. */
  mode: z.enum(['write', 'write-read']),
  /** Size of the file in B. */
  bytes: z
    .number()
    .int()
    .min(1 << 20, { error: 'must be at least 1 MiB' })
    .max(64e12),
  /** Size of one request in B. */
  block: z.union([z.literal(131072), z.literal(1048576), z.literal(4194304)]),
  /** What the page will do with the result; the server keeps it with the run, so that a page that comes back knows. */
  purpose: Purpose.optional(),
});
export type RunRequest = z.infer<typeof RunRequest>;

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
export type Label = z.infer<typeof Label>;

const amount = z.number().nonnegative();

/** A folder for real runs, as the server sees it. */
export const Target = z.object({
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
export type Target = z.infer<typeof Target>;

const Direction = z.enum(['read', 'write']);

/** One direction of a finished real run. */
const RealResult = z.object({
  direction: Direction,
  bytes: amount,
  seconds: amount,
  samples: z.array(z.object({ t: amount, bytes: amount })),
  /** Past the host's memory, or through it. */
  through: z.enum(['direct', 'buffered']),
});
export type RealResult = z.infer<typeof RealResult>;

/** What could not be cleaned up, in words. */
const left = z.string().optional();

/** What the server tells while a real run goes on. */
export const RunEvent = z.discriminatedUnion('type', [
  z.object({ type: z.literal('progress'), direction: Direction, t: amount, bytes: amount, total: amount }),
  z.object({ type: z.literal('done'), results: z.array(RealResult), target: Target, left }),
  z.object({ type: z.literal('failed'), problem: z.string(), aborted: z.boolean(), left }),
]);
export type RunEvent = z.infer<typeof RunEvent>;

/** A run the server keeps until a page has taken its result: going on, ended, or cut off. */
export const KeptRun = z.object({
  id: z.string(),
  /** When it was started, ISO. */
  at: z.iso.datetime(),
  request: RunRequest,
  folder: z.string(),
  /** The last that was told of it. */
  last: RunEvent.nullable(),
});
export type KeptRun = z.infer<typeof KeptRun>;
