import { readJson, type Read } from '../text';
import { checkJob } from './file';
import type { Job } from './job';

/** Reads the text of a job file. Never throws; nothing is taken over unless all of it is sound. */
export function readJob(text: string): Read<Job> {
  const json = readJson(text);
  if (json.ok) return checkJob(json.value);
  const cut = json.broken ? ' It may be cut short; export it again.' : '';
  return { ok: false, problems: [`The file is ${json.problem}.${cut}`] };
}
