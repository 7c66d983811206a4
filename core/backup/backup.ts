import * as z from 'zod';
import { checkJob, doubtsOf, jobPlaces, type Job } from '../job';
import { changedPlaces } from '../merge';
import { PART_KINDS, nameOf, type PartKind, type Part } from '../catalog/parts';
import { own, readJson, type Read } from '../text';

/** Version of the back-up file that this Kymar writes. */
export const BACKUP_VERSION = 1;

/** Everything a browser keeps, in one file. Parts by `kind/id`; null hides one that is in stock. */
export interface Backup {
  kymarBackup: typeof BACKUP_VERSION;
  at: string;
  jobs: Job[];
  parts: Record<string, Part | null>;
  /** What was removed and is still in the bin. */
  bin: { kind: string; key: string; title: string; at: string; raw: unknown }[];
  /** Records that could not be used, as they are. */
  aside: { store: string; key: string; raw: unknown }[];
}

const Envelope = z.object({
  kymarBackup: z.literal(BACKUP_VERSION, {
    error: `is of another version than ${BACKUP_VERSION}; update Kymar`,
  }),
  at: z.iso.datetime(),
  jobs: z.array(z.unknown()).max(100_000),
  parts: z.record(z.string(), z.unknown()),
  bin: z
    .array(
      z.object({ kind: z.string(), key: z.string(), title: z.string(), at: z.string(), raw: z.unknown() }),
    )
    .default([]),
  aside: z.array(z.object({ store: z.string(), key: z.string(), raw: z.unknown() })).default([]),
});

export const writeBackup = (backup: Backup): string => `${JSON.stringify(backup)}\n`;

/** A back-up as read: what is sound in it, and what is not, named. */
export interface BackupRead extends Backup {
  problems: string[];
}

/** Reads a back-up. One unsound record does not keep the others from coming back. Never throws. */
export function readBackup(text: string): Read<BackupRead> {
  const json = readJson(text);
  if (!json.ok) return { ok: false, problems: [`The file is ${json.problem}.`] };
  if (typeof json.value !== 'object' || json.value === null || !('kymarBackup' in json.value))
    return { ok: false, problems: ['This is no back-up of Kymar: it has no "kymarBackup".'] };
  const read = Envelope.safeParse(json.value);
  if (!read.success)
    return {
      ok: false,
      problems: read.error.issues.map((i) => `${i.path.join('.') || 'the file'}: ${i.message}`),
    };
  const problems: string[] = [];
  const jobs = read.data.jobs.flatMap((data, i): Job[] => {
    const job = checkJob(data);
    if (!job.ok) problems.push(`Job ${i + 1}: ${job.problems[0]}`);
    return job.ok ? [job.value] : [];
  });
  // Without a prototype: a part may be called as one of its methods.
  const parts = Object.create(null) as Record<string, Part | null>;
  for (const [key, data] of Object.entries(read.data.parts)) {
    const part =
      data === null
        ? null
        : own(
            PART_KINDS as Record<string, (typeof PART_KINDS)[PartKind]>,
            key.slice(0, key.indexOf('/')),
          )?.safeParse(data);
    if (part === null) parts[key] = null;
    else if (part?.success) parts[key] = part.data;
    else
      problems.push(
        `Part ${key.slice(0, 80)}: ${part?.error.issues[0]?.message ?? 'is of no kind Kymar knows'}`,
      );
  }
  return { ok: true, value: { ...read.data, jobs, parts, problems } };
}

/** What restoring a record would do. */
export interface Restoring {
  store: 'jobs' | 'parts';
  key: string;
  title: string;
  /** `new`: not here; `same`: as it is here; `older`, `newer`: it differs, and was changed before or after the one here. */
  state: 'new' | 'same' | 'older' | 'newer';
  /** Where they differ, in the file's names. */
  places: string[];
  /** What of its evidence is not as it was kept. */
  doubts: string[];
}

/** Holds a back-up against what is here. Nothing is changed. */
export function compareBackup(
  backup: Pick<Backup, 'jobs' | 'parts'>,
  here: { jobs: Record<string, Job>; parts: Record<string, Part | null> },
): Restoring[] {
  const jobs = backup.jobs.map((job): Restoring => {
    const mine = own(here.jobs, job.id);
    const places = mine ? jobPlaces(mine, job) : [];
    const state = !mine
      ? 'new'
      : places.length === 0
        ? 'same'
        : job.changed > mine.changed
          ? 'newer'
          : 'older';
    return {
      store: 'jobs',
      key: job.id,
      title: job.title,
      state,
      places,
      doubts: doubtsOf(job).map((d) => d.words),
    };
  });
  const parts = Object.entries(backup.parts).map(([key, part]): Restoring => {
    const mine = own(here.parts, key);
    const places = mine === undefined ? [] : changedPlaces(mine, part);
    const title = part ? nameOf(part) : `${key}, removed`;
    return {
      store: 'parts',
      key,
      title,
      state: mine === undefined ? 'new' : places.length === 0 ? 'same' : 'older',
      places,
      doubts: [],
    };
  });
  return [...jobs, ...parts];
}
