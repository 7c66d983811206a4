import { readNumber } from './number';

const SECONDS: Record<string, number> = {
  ms: 1e-3,
  s: 1,
  m: 60,
  h: 3600,
  d: 86400,
  w: 604800,
  y: 31_557_600,
};

/**
 * Reads a duration: `1:27:05`, `2:10` (minutes:seconds), `2m10s`, `1h 5 min`, `1h30`, `6m20`, `90 s`, `1.5 h`, a bare number as seconds.
 * @returns seconds with a note where a guess was made, or undefined if it is none
 */
export function readDuration(text: string): { value: number; note?: string } | undefined {
  const clock = /^(?:(\d+):)?(\d+):(\d{1,2}(?:[.,]\d+)?)$/.exec(text);
  if (clock) {
    const [, hours = '0', minutes = '0', seconds = '0'] = clock;
    if (Number(seconds.replace(',', '.')) >= 60 || (clock[1] !== undefined && Number(minutes) >= 60))
      return undefined;
    const value = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds.replace(',', '.'));
    return { value, ...(clock[1] === undefined ? { note: 'Read as minutes:seconds.' } : {}) };
  }
  const french = /^(\d+)\s?h\s?(\d{1,2})$/i.exec(text);
  if (french && Number(french[2]) < 60) return { value: Number(french[1]) * 3600 + Number(french[2]) * 60 };
  const minutes = /^(\d+)\s?m(?:in)?\s?(\d{1,2})$/i.exec(text);
  if (minutes && Number(minutes[2]) < 60) return { value: Number(minutes[1]) * 60 + Number(minutes[2]) };
  const bare = readNumber(text);
  if (bare !== undefined) return { value: bare, note: 'No unit: read as seconds.' };
  const piece =
    /([+-]?[\d.,]+)\s*(ms|milliseconds?|s|secs?|seconds?|min|mins|minutes?|m|h|hrs?|hours?|d|days?|w|weeks?|y|yrs?|years?)(?![a-z])\s*/giy;
  let total = 0;
  let at = 0;
  let lastSize = Infinity;
  for (let match = piece.exec(text); match; match = piece.exec(text)) {
    const number = readNumber(match[1]!);
    const word = match[2]!.toLowerCase();
    const size = SECONDS[word === 'ms' || word.startsWith('milli') ? 'ms' : word[0]!];
    if (number === undefined || size === undefined || size >= lastSize) return undefined;
    total += number * size;
    lastSize = size;
    at = piece.lastIndex;
  }
  return at > 0 && at === text.length ? { value: total } : undefined;
}
