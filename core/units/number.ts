/** Outcome of reading what a person typed: a value with the meaning understood, or what is wrong and what to do. */
export type Parsed =
  { ok: true; value: number; understood: string; note?: string } | { ok: false; problem: string };

export const wrong = (problem: string): Parsed => ({ ok: false, problem });

/**
 * Reads a decimal number written with a point or a comma and with thousands separators (comma, point, space, apostrophe).
 * One separator followed by exactly three digits is ambiguous ("1,500"): it is read as thousands when it is a comma with
 * one to three digits before it that do not start with 0, as a decimal mark when it is a point ("1.500" is one and a half).
 * Returns undefined for what is not a number.
 * @example readNumber('1,500') // 1500
 */
export function readNumber(text: string): number | undefined {
  // No number is that long; and patterns must not be led up the garden path.
  if (text.length > 100) return undefined;
  const bare = text.trim().replace(/[\s\u00a0\u2009\u202f'’_](?=\d{3}(?!\d))/g, '');
  if (!/^[+-]?(\d[\d.,]*|[.,]\d+)(e[+-]?\d+)?$/i.test(bare)) return undefined;
  const [mantissa = '', exponent] = bare.split(/e/i);
  const plain = withPoint(mantissa);
  if (plain === undefined) return undefined;
  const value = Number(exponent === undefined ? plain : `${plain}e${exponent}`);
  return Number.isFinite(value) ? value : undefined;
}

function withPoint(text: string): string | undefined {
  const lastComma = text.lastIndexOf(',');
  const lastPoint = text.lastIndexOf('.');
  if (lastComma >= 0 && lastPoint >= 0) {
    const decimal = lastComma > lastPoint ? ',' : '.';
    const thousands = decimal === ',' ? '.' : ',';
    if (text.split(decimal).length > 2) return undefined;
    return grouped(
      text.slice(0, text.lastIndexOf(decimal)),
      thousands,
      text.slice(text.lastIndexOf(decimal) + 1),
    );
  }
  const mark = lastComma >= 0 ? ',' : '.';
  const pieces = text.split(mark);
  if (pieces.length === 1) return text;
  if (pieces.length > 2) return grouped(text, mark);
  const [whole = '', rest = ''] = pieces;
  const thousands = mark === ',' && rest.length === 3 && /^[+-]?[1-9]\d{0,2}$/.test(whole);
  return thousands ? whole + rest : `${whole || '0'}.${rest || '0'}`;
}

function grouped(whole: string, mark: string, fraction?: string): string | undefined {
  const [head = '', ...groups] = whole.split(mark);
  if (!/^[+-]?\d{1,3}$/.test(head) && groups.length > 0) return undefined;
  if (groups.some((group) => !/^\d{3}$/.test(group))) return undefined;
  return head + groups.join('') + (fraction === undefined ? '' : `.${fraction}`);
}
