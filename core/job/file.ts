import { refused, type Read } from '../text';
import { Job } from './job';
import { VERSION } from './version';
import { jobFrom3 } from './upgrade3';

/**
 * What brings a file of one version to the next. Versions 2 and 3 only add what may be absent, and kinds of activity; version 4 has
 * several machines and devices.
 */
const MIGRATIONS: Record<number, (data: object) => object> = {
  1: (data) => ({ ...data, kymarVersion: 2 }),
  2: (data) => ({ ...data, kymarVersion: 3 }),
  3: jobFrom3,
};

/** Data of an older version as this one has it; of another one as it is. */
export function upToDate(data: object): object {
  let current = data;
  for (let at = versionOf(current); at !== null && MIGRATIONS[at]; at = versionOf(current))
    current = MIGRATIONS[at]!(current);
  return current;
}

function versionOf(data: object): number | null {
  const version = 'kymarVersion' in data ? data.kymarVersion : null;
  return typeof version === 'number' && Number.isInteger(version) ? version : null;
}

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
  const read = Job.safeParse(upToDate(data));
  return read.success ? { ok: true, value: read.data } : refused(read.error);
}
