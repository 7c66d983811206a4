import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser';

/** What a file may weigh, in characters: far above any honest one, far below what stalls a browser. */
export const MOST_TEXT = 64e6;
/** How deep brackets may nest: a working within a working is some sixty deep. */
export const DEEPEST = 300;

export type ReadJson =
  | { ok: true; value: unknown }
  | {
      ok: false;
      problem: string;
      /** It breaks off or is no JSON at all, as against one too large or too deep. */ broken: boolean;
    };

/**
 * Reads JSON from outside. Never throws, however long, deep or broken it is.
 * @returns the data, or what is wrong with its line and column
 */
export function readJson(text: string): ReadJson {
  if (text.length > MOST_TEXT)
    return { ok: false, problem: 'larger than 64 MB: that is no file of Kymar’s', broken: false };
  const json = text.replace(/^\uFEFF/, '');
  if (depthOf(json) > DEEPEST)
    return {
      ok: false,
      problem: `nested deeper than ${DEEPEST} levels: that is no file of Kymar’s`,
      broken: false,
    };
  try {
    return { ok: true, value: JSON.parse(json) };
  } catch {
    return { ok: false, problem: `no JSON: ${fault(json)}`, broken: true };
  }
}

/** The deepest nesting of brackets outside of quotes; broken text is counted as it stands. */
function depthOf(json: string): number {
  let [depth, deepest, quoted] = [0, 0, false];
  for (let i = 0; i < json.length; i++) {
    const at = json[i];
    if (quoted) {
      if (at === '\\') i++;
      else if (at === '"') quoted = false;
    } else if (at === '"') quoted = true;
    else if (at === '[' || at === '{') deepest = Math.max(deepest, ++depth);
    else if (at === ']' || at === '}') depth--;
  }
  return deepest;
}

/** Broken text beyond this is not read a second time for the place of its fault. */
const MOST_SEARCHED = 5e6;

/** Line and column where JSON breaks, and what was wrong there. Not every engine's own message tells. */
function fault(json: string): string {
  if (json.length > MOST_SEARCHED) return 'unreadable';
  const errors: ParseError[] = [];
  parse(json, errors, { disallowComments: true });
  const [first] = errors;
  if (!first) return 'unreadable';
  const before = json.slice(0, first.offset).split('\n');
  const words = printParseErrorCode(first.error).replace(
    /(?<=[a-z])[A-Z]/g,
    (letter) => ` ${letter.toLowerCase()}`,
  );
  return `line ${before.length}, column ${before.at(-1)!.length + 1}: ${words.toLowerCase()}`;
}
