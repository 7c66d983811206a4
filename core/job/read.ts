import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser';
import { checkJob, type Read } from './file';
import type { Job } from './job';

/** What a job file may weigh: far above any honest one, far below what stalls a browser. */
export const MOST_BYTES = 64e6;

/** Reads the text of a job file. Never throws; nothing is taken over unless all of it is sound. */
export function readJob(text: string): Read<Job> {
  if (text.length > MOST_BYTES) return { ok: false, problems: ['The file is larger than 64 MB: that is no job file.'] };
  const json = text.replace(/^\uFEFF/, '');
  try {
    return checkJob(JSON.parse(json));
  } catch {
    return { ok: false, problems: [`The file is no JSON: ${fault(json)}. It may be cut short; export it again.`] };
  }
}

/** Line and column where JSON breaks, and what was wrong there. Not every engine's own message tells. */
function fault(json: string): string {
  const errors: ParseError[] = [];
  parse(json, errors, { disallowComments: true });
  const [first] = errors;
  if (!first) return 'unreadable';
  const before = json.slice(0, first.offset).split('\n');
  const words = printParseErrorCode(first.error).replace(/(?<=[a-z])[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return `line ${before.length}, column ${before.at(-1)!.length + 1}: ${words.toLowerCase()}`;
}
