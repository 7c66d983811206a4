import type * as z from 'zod';
import {
  CopyRequest,
  FilesRequest,
  ProbeRequest,
  RandomRequest,
  ReadRequest,
  SequentialRequest,
  sizesOfFiles,
  SteadyRequest,
  type RunRequest,
  type RunTarget,
} from '@kymar/core/measure';
import { askedOf } from '@kymar/core/units';

/** What is typed and chosen, whichever way it is for: going from one to another loses nothing. */
export type Choices = ReadonlyMap<unknown, unknown>;

type Worked = Exclude<RunRequest, { kind: 'watch' }>;
/** A request without what the page adds: for which job, in a queue or not. */
type Bare<R> = R extends Worked ? Omit<R, 'purpose' | 'queue'> : never;

/** A way to measure in a folder of this machine, as it is asked for. */
export interface MeasuringWay {
  label: string;
  /** What the button says. */
  start: string;
  /** What it does, in a sentence or two. */
  says: string;
  /** What it asks, with its limits. */
  request: z.ZodObject;
  /** What it says by itself. */
  fixed: { kind: Worked['kind'] } & Record<string, unknown>;
  /** B it writes by a request that is sound; null: its file's. */
  writes?(request: Bare<RunRequest>): number | null;
  /** What the folder that is read is called; absent: none is. */
  source?: string;
  /** It stands for the activity that is chosen, as real work does. */
  isWork?: boolean;
}

const RUN = 'Start the run';
const FILE =
  'One file, front to back, past the host’s memory where the file system allows it, with data that does not compress; ' +
  'removed afterwards.';

/** All ways to measure in a folder of this machine. */
export const WAYS = {
  'write-read': {
    label: 'Write it, then read it back',
    start: RUN,
    says: FILE,
    request: SequentialRequest,
    fixed: { kind: 'sequential', mode: 'write-read' },
  },
  write: {
    label: 'Write it',
    start: RUN,
    says: FILE,
    request: SequentialRequest,
    fixed: { kind: 'sequential', mode: 'write' },
  },
  files: {
    label: 'Many small files, then read back',
    start: RUN,
    says:
      'Half of the files are smaller, half larger; one in six lies beyond that factor on either side. Written one after another ' +
      'until all is on the drive, then read back. Beside one large file of the same size it tells what each file costs. Removed afterwards.',
    request: FilesRequest,
    fixed: { kind: 'files', back: true },
    writes: (request) => sizesOfFiles(request as FilesRequest).reduce((sum, size) => sum + size, 0),
  },
  random: {
    label: 'Random reads and writes',
    start: RUN,
    says:
      'A file is laid out, then blocks of it are asked for anywhere, past the host’s memory where the file system allows it; ' +
      'how many a second, and how long each took. Removed afterwards.',
    request: RandomRequest,
    fixed: { kind: 'random' },
  },
  steady: {
    label: 'Steady state: rounds of random requests',
    start: 'Start the rounds',
    says:
      'Rounds go on until five of them lie within 20 % of their mean and their line rises or falls by 10 % at most [SNIA PTS]. ' +
      'The file is laid out once before; the whole drive is not filled. Removed afterwards.',
    request: SteadyRequest,
    fixed: { kind: 'steady' },
  },
  copy: {
    label: 'Copy a folder, read back and compared',
    start: RUN,
    says:
      'Every file as it is, hashed on the way, until all is written; then read back past the host’s memory and compared. ' +
      'The copy is removed, its manifest can be saved.',
    request: CopyRequest,
    fixed: { kind: 'copy' },
    writes: () => null,
    source: 'Folder that is copied',
    isWork: true,
  },
  read: {
    label: 'Read a folder, cold',
    start: RUN,
    says:
      'Every file once, one after another, past what the host’s memory still holds of it where the file system allows it. ' +
      'Nothing is written.',
    request: ReadRequest,
    fixed: { kind: 'read' },
    writes: () => 0,
    source: 'Folder that is read',
    isWork: true,
  },
  probe: {
    label: 'Probe: cache, sustained rate, recovery',
    start: 'Probe it',
    says:
      'Writes until the end of the cache was seen and the rate behind it is known, rests half a minute and writes on to see ' +
      'how much came back; ends sooner where it has spent what it may. Removed afterwards.',
    request: ProbeRequest,
    fixed: { kind: 'probe' },
  },
} satisfies Record<string, MeasuringWay>;
export type WayId = keyof typeof WAYS;

/** What a value is kept by: a size is one whatever its limits; all else is one where the same schema asks for it, which a way may have from another. */
const slotOf = ({ request }: MeasuringWay, key: string): unknown =>
  key === 'bytes' ? key : request.shape[key];

/** Choices that begin with a size. */
export const sized = (bytes: number | null): Choices => new Map(bytes === null ? [] : [['bytes', bytes]]);

/** What a way asks, as it was typed. */
export const valuesOf = (way: MeasuringWay, chosen: Choices): Record<string, unknown> =>
  Object.fromEntries(
    askedOf(way.request).map(({ key, first }) => [key, chosen.get(slotOf(way, key)) ?? first]),
  );

/** What was typed with a way's values in it. */
export const withValues = (way: MeasuringWay, chosen: Choices, values: Record<string, unknown>): Choices =>
  new Map([...chosen, ...askedOf(way.request).map(({ key }) => [slotOf(way, key), values[key]] as const)]);

/** What is asked of the server; null while something is missing or out of range. */
export function requestOf(
  way: MeasuringWay,
  chosen: Choices,
  target: RunTarget,
  source: RunTarget | undefined,
): Bare<RunRequest> | null {
  if (way.source && (!source || source.problem)) return null;
  const asked = { ...valuesOf(way, chosen), ...way.fixed, target: target.id, source: source?.id };
  const read = way.request.safeParse(asked);
  return read.success ? (read.data as Bare<RunRequest>) : null;
}

/** B that a request writes; null while that is not known. */
export const writesOf = (way: MeasuringWay, request: Bare<RunRequest> | null): number | null => {
  if (!request) return null;
  if (way.writes) return way.writes(request);
  return 'bytes' in request ? request.bytes : null;
};
