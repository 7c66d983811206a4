import { problemsOf, type Read } from '../text';
import { Job, VERSION } from './job';

/** A job as the text of its file. */
export function writeJob(job: Job): string {
  return `${JSON.stringify(job, null, 2)}\n`;
}

/** What brings a file of one version to the next. Versions 2 and 3 only add what may be absent, and kinds of activity: nothing older changes its meaning. */
const MIGRATIONS: Record<number, (data: object) => object> = {
  1: (data) => ({ ...data, kymarVersion: 2 }),
  2: (data) => ({ ...data, kymarVersion: 3 }),
};

/** Checks data that claims to be a job, of this version or an older one. */
export function checkJob(data: unknown): Read<Job> {
  if (typeof data !== 'object' || data === null || Array.isArray(data) || !('kymarVersion' in data))
    return { ok: false, problems: ['This is no Kymar job file: it has no "kymarVersion".'] };
  const version = data.kymarVersion;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return {
      ok: false,
      problems: [
        `kymarVersion: ${String(JSON.stringify(version)).slice(0, 40)} is no version; it is a whole number such as ${VERSION}.`,
      ],
    };
  if (version > VERSION)
    return {
      ok: false,
      problems: [
        `The file is of version ${version}; this Kymar reads up to ${VERSION}. Update Kymar, then import it again.`,
      ],
    };
  let current: object = data;
  for (let from = version; MIGRATIONS[from]; from++) current = MIGRATIONS[from]!(current);
  const read = Job.safeParse(current);
  return read.success ? { ok: true, value: read.data } : { ok: false, problems: problemsOf(read.error) };
}
