import { DATA_UNIT } from '../endurance/endurance';
import { readNumber } from '../../units';
import { own } from '../../text';
import { NOTHING, type HealthCounters, type ToldHealth } from './counters';
import { implausible } from './plausible';

type Key = Exclude<keyof HealthCounters, 'from' | 'warnings'>;

/** Names of the fields as their standards write them, in lower case without marks, and what one step of each is. */
const FIELDS: Record<string, [key: Key, factor: number]> = {
  'data units written': ['written', DATA_UNIT],
  'data units read': ['read', DATA_UNIT],
  'logical sectors written': ['written', 512],
  'logical sectors read': ['read', 512],
  'percentage used': ['percentageUsed', 0.01],
  'percentage used endurance indicator': ['percentageUsed', 0.01],
  'power on hours': ['powerOnHours', 1],
  'power cycles': ['powerCycles', 1],
  'lifetime power on resets': ['powerCycles', 1],
  'unsafe shutdowns': ['unsafeShutdowns', 1],
  'composite temperature': ['temperature', 1],
  'current temperature': ['temperature', 1],
  temperature: ['temperature', 1],
  'available spare': ['spare', 0.01],
  'available spare threshold': ['spareThreshold', 0.01],
  'media and data integrity errors': ['mediaErrors', 1],
  'warning composite temperature time': ['minutesWarm', 1],
  'critical composite temperature time': ['minutesCritical', 1],
};

/** Attributes by their number, what the end of their name must say, and what one step of each is [from memory: makers number them alike, mostly]. */
const ATTRIBUTES: Record<string, readonly [names: RegExp, key: Key, factor: number][]> = {
  9: [[/hours/i, 'powerOnHours', 1]],
  12: [[/cycle/i, 'powerCycles', 1]],
  190: [[/temperature/i, 'temperature', 1]],
  194: [[/temperature/i, 'temperature', 1]],
  241: [
    [/(?:lba|sector)s?[_ ]?written/i, 'written', 512],
    [/writes?_32mib/i, 'written', 32 * 2 ** 20],
    [/(?:written|writes?)_gib/i, 'written', 2 ** 30],
  ],
  242: [
    [/(?:lba|sector)s?[_ ]?read/i, 'read', 512],
    [/reads?_32mib/i, 'read', 32 * 2 ** 20],
    [/reads?_gib/i, 'read', 2 ** 30],
  ],
  246: [[/(?:lba|sector)s?[_ ]?written/i, 'written', 512]],
};

/** A row of an attribute table: its number, its name, and the raw value at its end; null where it is none that is known. */
function attributeIn(line: string): { name: string; told: string; field: [key: Key, factor: number] } | null {
  const words = line.split('(')[0]!.trim().split(/\s+/);
  const number = /^\d{1,3}$/.test(words[0]!) ? Number(words[0]) : NaN;
  const end = words.findIndex((word, i) => i > 0 && /^\d/.test(word));
  const told = words.at(-1)!;
  if (end < 2 || !/^\d+$/.test(told)) return null;
  const name = words.slice(1, end).join(' ');
  const meant = own(ATTRIBUTES, String(number))?.find(([names]) => names.test(name));
  return meant ? { name, told, field: [meant[1], meant[2]] } : null;
}

/** What a pasted text may weigh: health pages of a whole shelf are below it. */
const MOST_TEXT = 1_000_000;
/** No line with a counter is longer; longer ones are something else. */
const LONGEST_LINE = 500;
/** What may stand behind a value. */
const UNIT = /^(%|°?c|celsius|k|kelvin|hours?|h|minutes?|min)?\s*(?:[[(].*)?$/i;

/** A line as name and value, cut at the first mark between them; null where it is no such line. */
function halves(line: string): [name: string, value: string] | null {
  const at = line.search(/[:=\t]/);
  if (at <= 0) return null;
  const [name, value] = [
    line.slice(0, at).trim(),
    line
      .slice(at + 1)
      .replace(/^[\s:=]{0,20}/, '')
      .trim(),
  ];
  return name && value ? [name, value] : null;
}

/** A line with one of the standards' fields; null where it is none. */
function fieldIn(line: string): ReturnType<typeof attributeIn> {
  const match = halves(line);
  const key = match?.[0]
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim();
  const field = key === undefined ? undefined : own(FIELDS, key);
  return match && field ? { name: match[0], told: match[1], field } : null;
}

/**
 * Reads counters pasted as `Name: value` lines in the standards' own field names, or as rows of an attribute table; what stands in brackets
 * behind a value is left out. A value that is no plain number, or that no drive can tell, is refused with its line and field.
 */
export function fromPasted(text: string): ToldHealth {
  if (text.length > MOST_TEXT)
    return {
      ok: false,
      problem: 'The text is longer than a million characters: paste only the health page.',
    };
  const counters: HealthCounters = { ...NOTHING, from: 'pasted text', warnings: [] };
  let found = 0;
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const read = line.length > LONGEST_LINE ? null : (attributeIn(line) ?? fieldIn(line));
    if (!read) continue;
    const { name, told, field } = read;
    const digits = /^[+-]?\d[\d.,'’\u00a0\u202f ]*/.exec(told)?.[0] ?? '';
    const unit = UNIT.exec(told.slice(digits.length));
    const value = unit ? readNumber(digits) : undefined;
    if (value === undefined)
      return {
        ok: false,
        problem: `Line ${i + 1}: "${told.slice(0, 60)}" is no number for ${name}. Write it in plain digits.`,
      };
    const [key, factor] = field;
    const kelvin = key === 'temperature' && /^k/i.test(unit![1] ?? '');
    const meant = factor === 0.01 ? value / 100 : value * factor - (kelvin ? 273 : 0);
    const problem = implausible(key, meant);
    if (problem) return { ok: false, problem: `Line ${i + 1}: ${problem}` };
    counters[key] = meant;
    found++;
  }
  return found > 0
    ? { ok: true, counters }
    : {
        ok: false,
        problem:
          'No counter is named as the standards name them, e.g. "Data Units Written: 12,345" or "Power On Hours: 1,200".',
      };
}
