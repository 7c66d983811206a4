import * as z from 'zod';
import { Id } from '../catalog/parts';
import { Latency, logNormalSizes, Probed, Stated } from '../job';

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
const common = {
  /** What the page will do with the result; the server keeps it with the run, so that a page that comes back knows. */
  purpose: Purpose.optional(),
  /** Waits for its turn where the device is at work; absent: it is refused then. */
  queue: z.boolean().optional(),
};
const folder = z.string().min(1).max(40);

/** A file written front to back, and read back. */
export const SequentialRequest = z.object({
  kind: z.literal('sequential'),
  /** Id of one of the folders the server was started with. */
  target: folder,
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
  ...common,
});
export type SequentialRequest = z.infer<typeof SequentialRequest>;

/** A drive written to until its cache, what it sustains and how it recovers are known, or the budget ends. */
export const ProbeRequest = z.object({
  kind: z.literal('probe'),
  target: folder,
  /** B and s it may spend at most. */
  bytes: z
    .number()
    .int()
    .min(1 << 30, { error: 'must be at least 1 GiB' })
    .max(64e12),
  seconds: z.number().min(10, { error: 'must be at least 10 s' }).max(86_400),
  ...common,
});
export type ProbeRequest = z.infer<typeof ProbeRequest>;

/** Small requests anywhere within a file, so many under way, for a time. */
export const RandomRequest = z.object({
  kind: z.literal('random'),
  target: folder,
  /** B of the file they fall in. */
  bytes: z
    .number()
    .int()
    .min(1 << 26, { error: 'must be at least 64 MiB' })
    .max(64e12),
  /** B of a request. */
  block: z.union([z.literal(4096), z.literal(16384), z.literal(65536), z.literal(131072)]),
  /** Requests under way at a time. */
  depth: z.number().int().min(1).max(32),
  /** Share of them that read, 0 to 1. */
  reads: z.number().min(0).max(1),
  seconds: z.number().min(1).max(3600),
  ...common,
});
export type RandomRequest = z.infer<typeof RandomRequest>;

/** A folder copied file by file, read back and compared. */
export const CopyRequest = z.object({
  kind: z.literal('copy'),
  /** Ids of a folder that is read and of one that is written. */
  source: folder,
  target: folder,
  ...common,
});
export type CopyRequest = z.infer<typeof CopyRequest>;

/** Many files of scattered sizes written one after another, and read back. */
export const FilesRequest = z.object({
  kind: z.literal('files'),
  target: folder,
  files: z.number().int().min(10, { error: 'must be at least 10' }).max(50_000),
  /** B: as many files are smaller as larger; one in six lies beyond `spread` times it on either side. */
  median: z.number().min(1).max(1e10),
  spread: z.number().min(1).max(100),
  /** Whether they are read back. */
  back: z.boolean(),
  ...common,
});
export type FilesRequest = z.infer<typeof FilesRequest>;

/** Sizes of the files in B, the same for the same request: log-normal about the median, in no order. */
export function sizesOfFiles({
  files,
  median,
  spread,
}: Pick<FilesRequest, 'files' | 'median' | 'spread'>): number[] {
  const sizes = logNormalSizes(median, spread, files).flatMap(({ bytes, count }) =>
    new Array<number>(count).fill(Math.max(1, bytes)),
  );
  // Steps that share no factor with the count come past every file once.
  const step = STEPS.find((s) => sizes.length % s !== 0)!;
  return sizes.map((_, i) => sizes[(i * step) % sizes.length]!);
}
const STEPS = [7919, 7907, 7901];

/** All files of a folder read once, past what the host's memory still holds of them. */
export const ReadRequest = z.object({ kind: z.literal('read'), source: folder, ...common });
export type ReadRequest = z.infer<typeof ReadRequest>;

/** Small requests in rounds until one round is as the other. */
export const SteadyRequest = RandomRequest.extend({
  kind: z.literal('steady'),
  /** s of a round, and how many there are at most. */
  seconds: z.number().min(1).max(600),
  rounds: z.number().int().min(5).max(60),
});
export type SteadyRequest = z.infer<typeof SteadyRequest>;

/** Whatever program works on a device, watched from its first bytes to its last. */
export const WatchRequest = z.object({
  kind: z.literal('watch'),
  /** One of what the server can watch, by its id. */
  device: z.string().min(1).max(80),
  /** s without any bytes that end it. */
  still: z.number().min(1).max(120),
  purpose: Purpose.optional(),
});
export type WatchRequest = z.infer<typeof WatchRequest>;

/** Something the server is asked to measure. */
export const RunRequest = z.discriminatedUnion('kind', [
  SequentialRequest,
  RandomRequest,
  ProbeRequest,
  CopyRequest,
  FilesRequest,
  ReadRequest,
  SteadyRequest,
  WatchRequest,
]);
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
export type TargetLabel = z.infer<typeof Label>;

const amount = z.number().nonnegative();

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

const Direction = z.enum(['read', 'write']);
/** Past the host's memory, or through it. */
const through = z.enum(['direct', 'buffered']);
const samples = z.array(z.object({ t: amount, bytes: amount }));

/** One direction of a finished real run. */
const RealResult = z.object({ direction: Direction, bytes: amount, seconds: amount, samples, through });
export type RealResult = z.infer<typeof RealResult>;

/** What could not be cleaned up, in words. */
const left = z.string().optional();
/** °C of the drive as a run began, and at most while it went on, where the system offers them. */
const warmth = z.object({ start: z.number(), most: z.number() }).optional();
export type Warmth = z.infer<typeof warmth>;
/** What is told at the end of whatever worked in a folder. */
const ended = { target: RunTarget, left, warmth };

/** What was counted of a piece of work that was watched. */
const PIECE = {
  seconds: amount,
  bar: amount.nullable(),
  read: amount,
  written: amount,
  reads: amount,
  writes: amount,
  busy: amount.nullable(),
  samples: z.object({ read: samples, write: samples }),
};

/** What the server tells while a real run goes on. */
export const RunEvent = z.discriminatedUnion('type', [
  /** Its turn has not come: so many go before it. */
  z.object({ type: z.literal('waiting'), before: amount }),
  z.object({ type: z.literal('progress'), direction: Direction, t: amount, bytes: amount, total: amount }),
  z.object({
    type: z.literal('copied'),
    from: z.string(),
    bytes: amount,
    files: amount,
    /** s until all was handed over, until all was written, and that reading back took. */
    bar: amount,
    seconds: amount,
    verifying: amount,
    /** Lines of `hash  path`. */
    manifest: z.array(z.string()),
    samples,
    ...ended,
  }),
  z.object({
    type: z.literal('scattered'),
    through,
    reads: amount,
    writes: amount,
    seconds: amount,
    latency: Latency,
    ...ended,
  }),
  z.object({
    type: z.literal('settled'),
    through,
    /** Requests a second of each round, and s of one. */
    rounds: z.array(amount),
    seconds: amount,
    /** Of the rounds of the last window. */
    latency: Latency,
    ...ended,
  }),
  /** Files that were written or read one after another. */
  z.object({
    type: z.literal('passed'),
    passes: z.array(
      z.object({
        direction: Direction,
        bytes: amount,
        files: amount,
        seconds: amount,
        /** s until all was handed over, memory holding some of it; null of reading. */
        bar: amount.nullable(),
        through,
        samples,
      }),
    ),
    ...ended,
  }),
  z.object({
    type: z.literal('probed'),
    through,
    found: Probed,
    written: amount,
    seconds: amount,
    ended: z.enum(['known', 'bytes', 'seconds', 'warmth']),
    samples,
    ...ended,
  }),
  /** A watch as it stands; `t` 0 while nothing began. */
  z.object({
    type: z.literal('watching'),
    state: z.enum(['waiting', 'moving', 'flushing', 'over']),
    t: amount,
    read: amount,
    written: amount,
    /** B that memory still holds; null: not known. */
    pending: amount.nullable(),
  }),
  z.object({
    type: z.literal('watched'),
    device: Watchable,
    /** When its first bytes came, ISO. */
    at: z.iso.datetime(),
    ...PIECE,
    /** One sigma of the time, s: readings are so far apart, and whoever said that it is over has a thumb. */
    error: amount,
    /** B/s that others moved before and after it; null: no more than a system's hum. */
    others: amount.nullable().optional(),
    /** All that moved, where next to nothing did for long before or after: a person says whether that belongs to it. */
    whole: z.object(PIECE).nullable().optional(),
  }),
  z.object({ type: z.literal('done'), results: z.array(RealResult), ...ended }),
  z.object({ type: z.literal('failed'), problem: z.string(), aborted: z.boolean(), left }),
]);
export type RunEvent = z.infer<typeof RunEvent>;
/** What is told while it goes on. */
export type GoingEvent = Extract<RunEvent, { type: 'progress' | 'watching' | 'waiting' }>;
/** How it ended. */
export type EndEvent = Exclude<RunEvent, GoingEvent>;
/** A run the server keeps until a page has taken its result: going on, ended, or cut off. */
export const KeptRun = z.object({
  id: z.string(),
  /** When it was started, ISO. */
  at: z.iso.datetime(),
  request: RunRequest,
  /** The folder it works in, or what it watches, in words. */
  folder: z.string(),
  /** The last that was told of it. */
  last: RunEvent.nullable(),
});
export type KeptRun = z.infer<typeof KeptRun>;
