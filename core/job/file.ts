import type * as z from 'zod';
import { Job, VERSION } from './job';

/** Reading a file: the job, or every problem with its place. */
export type Read<T> = { ok: true; value: T } | { ok: false; problems: string[] };

/** What a job file may weigh: far above any honest one, far below what stalls a browser. */
export const MOST_BYTES = 64e6;

/** A job as the text of its file. */
export function writeJob(job: Job): string {
  return `${JSON.stringify(job, null, 2)}\n`;
}

/** Reads the text of a job file. Never throws; nothing is taken over unless all of it is sound. */
export function readJob(text: string): Read<Job> {
  if (text.length > MOST_BYTES) return { ok: false, problems: ['The file is larger than 64 MB: that is no job file.'] };
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return { ok: false, problems: [`The file is no JSON: ${place(text, (error as Error).message)}. It may be cut short; export it again.`] };
  }
  return checkJob(data);
}

/** Checks data that claims to be a job. Older versions will be migrated here once there are any. */
export function checkJob(data: unknown): Read<Job> {
  if (typeof data !== 'object' || data === null || Array.isArray(data) || !('kymarVersion' in data)) return { ok: false, problems: ['This is no Kymar job file: it has no "kymarVersion".'] };
  const version = data.kymarVersion;
  if (typeof version === 'number' && version > VERSION) return { ok: false, problems: [`The file is of version ${version}; this Kymar reads up to ${VERSION}. Update Kymar, then import it again.`] };
  const read = Job.safeParse(data);
  return read.success ? { ok: true, value: read.data } : { ok: false, problems: problemsOf(read.error) };
}

/** Issues of a schema as lines "where: what". */
export function problemsOf(error: z.ZodError): string[] {
  return error.issues.map((issue) => `${issue.path.length > 0 ? issue.path.join('.') : 'the file'}: ${issue.message}`);
}

/** Line and column where JSON broke, from the engine's message where it tells. */
function place(text: string, message: string): string {
  const at = /position (\d+)/.exec(message)?.[1];
  if (at === undefined) return message;
  const before = text.slice(0, Number(at)).split('\n');
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}
