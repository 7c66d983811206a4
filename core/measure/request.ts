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
export type Label =
  'memory-backed' | 'cached-through' | 'network' | 'compressed' | 'encrypted' | 'not followed';

/** A folder for real runs, as the server sees it. */
export interface Target {
  id: string;
  folder: string;
  /** Device and file system it lies on, where known. */
  device: string | null;
  fileSystem: string | null;
  /** B free for a run, the reserve already taken off. */
  room: number;
  reserve: number;
  memory: number;
  /** What makes a figure from here doubtful. */
  labels: Label[];
  /** The way down to the device in words, e.g. `ext4 on nvme0n1p2`. */
  way: string;
  /** Why nothing can run here; null when it can. */
  problem: string | null;
}

/** One direction of a finished real run. */
export interface RealResult {
  direction: 'read' | 'write';
  bytes: number;
  seconds: number;
  samples: { t: number; bytes: number }[];
  /** Past the host's memory, or through it. */
  through: 'direct' | 'buffered';
}

/** What the server tells while a real run goes on. */
export type RunEvent =
  | { type: 'progress'; direction: 'read' | 'write'; t: number; bytes: number; total: number }
  | {
      type: 'done';
      results: RealResult[];
      target: Target;
      /** What could not be cleaned up, in words. */ left?: string;
    }
  | { type: 'failed'; problem: string; aborted: boolean; left?: string };

/** A run the server keeps until a page has taken its result: going on, ended, or cut off. */
export interface KeptRun {
  id: string;
  /** When it was started, ISO. */
  at: string;
  request: RunRequest;
  folder: string;
  /** The last that was told of it. */
  last: RunEvent | null;
}
