import { format, parseQuantity, UNIT_OF, type Dimension, type Unit } from '../units';
import { SLOWEST } from './bounds';
import type { Fact } from './figure';

/** What was typed into a field that may be unknown or a range. */
export type TypedFact =
  { ok: true; value: Fact['value']; understood: string; note?: string } | { ok: false; problem: string };

/**
 * Reads a fact as people type it: a quantity, `120 to 320 GB`, `120 / 180 / 320 GB` (low, expected, high), or `?` and
 * `not known`; `600-640 GB` is a range too, `5 TB + 4 TB` a sum. A unit at the end counts for all points.
 * @param bare the unit a bare number is in, where the field has one of its own
 * @param whole B that a percentage is of, where that is known
 */
export function parseFact(text: string, dimension: Dimension, bare?: string, whole?: number): TypedFact {
  const read = points(text, dimension, bare, whole);
  const still = dimension === 'rate' && read.ok && read.value !== null && [read.value].flat()[0]! < SLOWEST;
  return still
    ? {
        ok: false,
        problem: `"${text.trim().slice(0, 60)}" moves nothing. Write for example 450 MB/s, or ? where it is not known.`,
      }
    : read;
}

/** What stands between the points of a range; a hyphen only between a number and another. */
const BETWEEN = /\s*(?:\bto\b|–|\.\.\.?|\s\/\s|(?<=[\d½¼¾][^-+]{0,12})(?<!e)-(?=\s*\d))\s*/i;

/** Several that are one: a unit at the end counts for those before it that have none. */
function sum(typed: string, dimension: Dimension, bare?: string): TypedFact {
  const pieces = typed.split('+').map((piece) => piece.trim());
  const unit = /[^\d.,\s]*[^\d]*$/.exec(pieces.at(-1)!)?.[0] ?? '';
  const read = pieces.map((piece) =>
    parseQuantity(/[^\d.,\s'’]/.test(piece) ? piece : piece + unit, dimension, bare),
  );
  const wrong = read.find((r) => !r.ok);
  if (wrong && !wrong.ok) return wrong;
  const value = read.reduce((all, r) => all + (r.ok ? r.value : 0), 0);
  return { ok: true, value, understood: format(value, UNIT_OF[dimension], 6), note: 'Added up.' };
}

function points(text: string, dimension: Dimension, bare?: string, whole?: number): TypedFact {
  if (text.length > 400) return { ok: false, problem: 'That is longer than any figure or range.' };
  const typed = text.trim();
  if (typed === '' || /^(\?|n\/?a|not known|unknown)$/i.test(typed))
    return { ok: true, value: null, understood: 'not known: the range widens' };
  if (typed.includes('+')) return sum(typed, dimension, bare);
  const pieces = typed.split(BETWEEN);
  if (pieces.length === 1 || (dimension === 'percent' && /\bof\b/i.test(typed)))
    return parseQuantity(typed, dimension, bare, whole);
  if (pieces.length > 3 || pieces.includes(''))
    return {
      ok: false,
      problem: `"${typed}" is no range. Write for example 120 to 320 GB, or 120 / 180 / 320 GB.`,
    };
  const unit = /[^\d.,\s]*[^\d]*$/.exec(pieces.at(-1)!)?.[0] ?? '';
  const read = pieces.map((piece) =>
    parseQuantity(/[^\d.,\s'’]/.test(piece) ? piece : piece + unit, dimension, bare, whole),
  );
  const wrong = read.find((r) => !r.ok);
  if (wrong && !wrong.ok) return wrong;
  const values = read.map((r) => (r.ok ? r.value : 0));
  const [low, high] = [values[0]!, values.at(-1)!];
  const expected = values.length === 3 ? values[1]! : (low + high) / 2;
  if (!(low <= expected && expected <= high))
    return { ok: false, problem: 'The points must rise: low, expected, high.' };
  const words = read.map((r) => (r.ok ? r.understood : '')).join(' to ');
  return { ok: true, value: [low, expected, high], understood: words };
}

/** A fact as it would be typed, to so many significant digits. */
export function writeFact(value: Fact['value'], unit: Unit, significant = 6): string {
  if (value === null) return 'not known';
  if (!Array.isArray(value)) return format(value, unit, significant);
  const points = value.map((v) => format(v, unit, significant));
  const ends = points.map((p) => p.slice(p.lastIndexOf(' ')));
  const alike = points[0]!.includes(' ') && ends.every((end) => end === ends[0]);
  return alike
    ? points.map((p, i) => (i < 2 ? p.slice(0, p.lastIndexOf(' ')) : p)).join(' / ')
    : points.join(' / ');
}
