import * as z from 'zod';
import { canonical, readJson, refused, type Read } from '../text';
import { ChainEntry } from './entry';
import { isFields, setupOf3, type Fields } from './from3';
import { appended, sha, type ToldEntry } from './hash';
import { Job } from './job';
import { FIRST_PLACE } from './place';
import { Run } from './run';
import { VERSION } from './limits';

/** Reads the text of a job file. Never throws; nothing is taken over unless all of it is sound. */
export function readJob(text: string): Read<Job> {
  const json = readJson(text);
  if (json.ok) return checkJob(json.value);
  const cut = json.broken ? ' It may be cut short; export it again.' : '';
  return { ok: false, problems: [`The file is ${json.problem}.${cut}`] };
}

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

/** A job file of version 3 as one of version 4. Runs "as built" name the place they were made at; the chain tells of it. */
function jobFrom3(data: object): object {
  const { host, build, activities, needs, runs, chain, ...rest } = data as Fields;
  const built = isFields(build);
  const told: ToldEntry[] = [];
  const entries = z.array(ChainEntry).safeParse(chain).data;
  const carry = (run: unknown): unknown => {
    if (!isFields(run) || run.path !== 'customer') return run;
    const next = { ...run, path: built ? { ...FIRST_PLACE } : null };
    const read = Run.safeParse(next);
    const last = entries?.findLast((e) => e.what === 'run' && e.id === run.id);
    // Only what is as it was kept is carried over as such: what was changed outside of Kymar stays in doubt.
    if (read.success && last?.content === sha(canonical({ ...read.data, path: 'customer' })))
      told.push({
        what: 'run',
        id: read.data.id,
        did: 'carried over',
        at: String(rest.changed),
        content: sha(canonical(read.data)),
      });
    return next;
  };
  const carried = Array.isArray(runs) ? runs.map(carry) : runs;
  return {
    ...rest,
    kymarVersion: 4,
    ...setupOf3({ host, build, activities, needs }),
    runs: carried,
    ...(chain === undefined ? {} : { chain: entries ? appended(entries, told) : chain }),
  };
}
