import { own } from '../text';
import { format } from './format';
import { readNumber, wrong, type Parsed } from './number';
import { prefixFactor } from './prefix';
import type { Unit } from './unit';
import { CALENDAR_YEAR_DAYS } from './year';
import { readDuration } from './duration';

/** What a field asks for. */
export type Dimension =
  | 'bytes'
  | 'rate'
  | 'time'
  | 'count'
  | 'perDay'
  | 'times'
  | 'percent'
  | 'iops'
  | 'power'
  | 'length'
  | 'temperature'
  | 'number';

/** Base unit of each dimension's values as a person reads them; a share of 1 is shown in per cent. */
export const UNIT_OF: Record<Dimension, Unit> = {
  bytes: 'B',
  rate: 'B/s',
  time: 's',
  count: 'count',
  perDay: 'B/day',
  times: 'per day',
  percent: '%',
  iops: 'IOPS',
  power: 'W',
  length: 'mm',
  temperature: '°C',
  number: 'ratio',
};

const EXAMPLE: Record<Dimension, string> = {
  bytes: '73.5 GB, 1.8TB or 640 MiB',
  rate: '450 MB/s, 10Gbps or 3.5 GB/s',
  time: '3m20s, 1:12:40, 35 min or 2 h',
  count: '310000 or 310k',
  perDay: '60 GB/day or 22 TB a year',
  times: '1 a day, 2 a week or 3 per month',
  percent: '35 %',
  iops: '850k IOPS or 90000',
  power: '4.5 W or 800 mW',
  length: '11 mm or 2.5 cm',
  temperature: '35 °C',
  number: '4 or 0.5',
};

/** Colder than this, °C, nothing runs; a size below this, B, was hardly meant. */
const COLDEST = -60;
const LITTLE = 1000;

/** Days from one time to the next, as people say it; what happens once has no next. */
const EVERY: Record<string, number> = {
  once: Infinity,
  'just once': Infinity,
  'one time': Infinity,
  'one-off': Infinity,
  hourly: 1 / 24,
  'every hour': 1 / 24,
  daily: 1,
  nightly: 1,
  'every day': 1,
  'every evening': 1,
  'every night': 1,
  'every morning': 1,
  weekdays: 7 / 5,
  'every weekday': 7 / 5,
  'once a day': 1,
  'twice a day': 1 / 2,
  weekly: 7,
  'every week': 7,
  'once a week': 7,
  'twice a week': 7 / 2,
  monthly: CALENDAR_YEAR_DAYS / 12,
  'every month': CALENDAR_YEAR_DAYS / 12,
  'once a month': CALENDAR_YEAR_DAYS / 12,
  yearly: CALENDAR_YEAR_DAYS,
  'every year': CALENDAR_YEAR_DAYS,
};

/** What people count, beside thousands and millions of it. */
const THINGS = 'file image photo picture scan clip song recording document frame item object year yr drive';
const COUNTED = new RegExp(
  `^([km])?\\s?(thousand|million)?\\s?(?:(?:${THINGS.replaceAll(' ', '|')})s?)?$`,
  'i',
);

const FRACTIONS: Record<string, number> = { '½': 0.5, '¼': 0.25, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3 };
/** `1½` as a number. */
const withFractions = (text: string): string =>
  text.replace(/(\d*)\s?([½¼¾⅓⅔])/u, (_, whole: string, part: string) =>
    String(Number(whole || 0) + FRACTIONS[part]!),
  );

/** `52.000` may be meant either way: it is asked. */
function asked(typed: string): Parsed {
  const [number = ''] = /^[\d.]+/.exec(typed) ?? [];
  const [whole, thousands] = [number.replace('.', ''), number.split('.')[0]];
  return wrong(`Is "${number}" ${whole} or ${thousands}? Write it without the point.`);
}

/** What a typed quantity may weigh, in characters. */
const LONGEST = 200;

/**
 * Reads a quantity as people type it and says what was understood.
 * @param text what was typed, e.g. `1.5TB`, `58,7 GB`, `10Gbps`, `2m10s`, `1:27:05`
 * @param dimension what the field asks for; decides what a bare number and a lone `b` mean
 * @param bare the unit a bare number is in, where the field has one of its own: `GB`, `TB`, `min`
 * @param whole B that a percentage is of, where that is known: `38 GB` is a share of it
 * @returns value in B, B/s, s, a count, B/day or a ratio (percent); or the problem with what to do. Never throws.
 * @example parseQuantity('40', 'bytes', 'GB').value // 40000000000
 */
export function parseQuantity(text: string, dimension: Dimension, bare?: string, whole?: number): Parsed {
  if (text.length > LONGEST)
    return wrong(`That is longer than any quantity. Write for example ${EXAMPLE[dimension]}.`);
  const typed = withFractions(text.trim());
  if (typed === '') return wrong(`Nothing entered. Write for example ${EXAMPLE[dimension]}.`);
  if (bare !== undefined && readNumber(typed) !== undefined) {
    const read = parseQuantity(`${typed} ${bare}`, dimension);
    return read.ok ? { ...read, note: `No unit: read as ${bare}.` } : read;
  }
  const share = dimension === 'percent' ? shareOf(typed, whole) : undefined;
  if (share) return share.ok ? checked(typed, share, '%', dimension) : share;
  if (dimension === 'time') return checked(typed, readDuration(typed), 's', dimension);
  if (dimension === 'times') {
    const days = own(
      EVERY,
      typed
        .toLowerCase()
        .replace(/\s+/g, ' ')
        .replace(/^each /, 'every '),
    );
    if (days !== undefined) return checked(typed, { value: 1 / days }, 'per day', dimension);
  }
  if (dimension === 'count' && /^\d{1,3}\.\d{3}(?!\d)/.test(typed)) return asked(typed);
  const match =
    /^([+-]?[\d.,](?:[\d.,\s\u00a0\u2009\u202f'’_]*[\d.,])?(?:e[+-]?\d+(?![a-z]))?)\s*(.*)$/iu.exec(typed);
  const number = match ? readNumber(match[1]!) : undefined;
  if (number === undefined)
    return wrong(`"${typed}" is not a number. Write for example ${EXAMPLE[dimension]}.`);
  const unit = match![2]!.trim();
  switch (dimension) {
    case 'bytes':
      return checked(typed, sizeOf(number, unit), 'B', dimension);
    case 'rate':
      return checked(typed, rateOf(number, unit), 'B/s', dimension);
    case 'perDay':
      return checked(typed, perDayOf(number, unit), 'B/day', dimension);
    case 'count':
      return checked(typed, countOf(number, unit), 'count', dimension);
    case 'times':
      return checked(typed, timesOf(number, unit), 'per day', dimension);
    case 'percent':
      return checked(typed, /^%?$/.test(unit) ? { value: number / 100 } : undefined, '%', dimension);
    case 'number':
      return checked(typed, unit === '' ? { value: number } : undefined, 'ratio', dimension);
    case 'iops':
    case 'power':
    case 'length':
    case 'temperature':
      return checked(typed, plainly(number, unit, dimension), PLAIN[dimension].unit, dimension);
  }
}

/** A size where a share is asked: `38 GB`, `38 of 512 GB`, `170 GB free of 512`. Undefined where none is named. */
function shareOf(
  typed: string,
  known?: number,
): (Meaning & { ok: true }) | { ok: false; problem: string } | undefined {
  const [said = '', of] = typed.replace(/\bfree\b/i, '').split(/\s*(?:\bof\b|\bout of\b|\/)\s*/i);
  const unit = /[a-z]+$/i.exec((of ?? said).trim())?.[0] ?? '';
  const unitOf = (text: string) => (/[a-z]$/i.test(text.trim()) ? text : `${text} ${unit || 'GB'}`);
  if (of === undefined && !unit) return undefined;
  const part = parseQuantity(unitOf(said), 'bytes');
  if (!part.ok || (of === undefined && !/^[kmgtp]i?b?$|byte|gig|ter/i.test(unit))) return undefined;
  const all = of === undefined ? known : readOr(parseQuantity(unitOf(of), 'bytes'));
  if (!all) return { ok: false, problem: `Of how much? Write ${said.trim()} of 512 GB, or the percentage.` };
  if (part.value > all)
    return { ok: false, problem: `${part.understood} is more than all of it, ${format(all, 'B', 6)}.` };
  const value = part.value / all;
  return { ok: true, value: /\bfree\b/i.test(typed) ? 1 - value : value, note: `Of ${format(all, 'B', 6)}.` };
}
const readOr = (read: Parsed): number | undefined => (read.ok ? read.value : undefined);

interface Meaning {
  value: number;
  note?: string;
}

function checked(typed: string, meaning: Meaning | undefined, unit: Unit, dimension: Dimension): Parsed {
  if (!meaning)
    return wrong(`The unit in "${typed}" is not known here. Write for example ${EXAMPLE[dimension]}.`);
  const cold = dimension === 'temperature';
  if (cold && meaning.value < COLDEST)
    return wrong(`"${typed}" is colder than anything runs. Check the unit.`);
  if (!cold && meaning.value < 0) return wrong(`"${typed}" is negative. Enter zero or more.`);
  if (!Number.isFinite(meaning.value) || meaning.value > 1e18)
    return wrong(`"${typed}" is too large to be meant. Check the unit.`);
  const understood = format(meaning.value, unit, 6);
  const little = dimension === 'bytes' && meaning.value > 0 && meaning.value < LITTLE;
  const note = little ? `${understood}? That is hardly anything: check the unit.` : meaning.note;
  return { ok: true, value: meaning.value, understood, ...(note ? { note } : {}) };
}

/** `GB`, `GiB`, `Gbit`, `gb`, `g`, `bytes`. A small b means bytes in a size: nobody measures a folder in bits. */
function sizeOf(number: number, unit: string): Meaning | undefined {
  if (unit === '') return { value: number, note: 'No unit: read as bytes.' };
  const word = /^(kilo|meg|gig|ter|pet)(?:a|as|s|abytes?|obytes?)?$/i.exec(unit);
  const match = word ? [unit, word[1]![0]!, 'B'] : /^([kmgtp]i?)?\s?(bits?|bytes?|b|o|bw)?$/i.exec(unit);
  if (!match || (!match[1] && !match[2]) || (/^bw$/i.test(match[2] ?? '') && !match[1])) return undefined;
  const factor = prefixFactor(match[1] ?? '');
  if (factor === undefined) return undefined;
  if (/^bits?$/i.test(match[2] ?? '')) return { value: (number * factor) / 8, note: 'Bits: 8 to a byte.' };
  return { value: number * factor };
}

/** `MB/s`, `MBps`, `Mb/s`, `Gbps`, `Gbit/s`, `MiB/s`. Small b is bits, as standards write it; all-small `mb/s` is said to be unclear. */
function rateOf(number: number, unit: string): Meaning | undefined {
  const match = /^([kmgtp]i?)?\s?(bits?|bytes?|b)?\s?(?:\/\s?s(?:ec)?|ps|\sper\ssecond)?$/i.exec(unit);
  if (unit === '') return { value: number * 1e6, note: 'No unit: read as MB/s.' };
  if (!match || (!match[1] && !match[2])) return undefined;
  const factor = prefixFactor(match[1] ?? '');
  if (factor === undefined) return undefined;
  const what = match[2] ?? 'B';
  const bits = /^bits?$/i.test(what) || what === 'b';
  const unclear = what === 'b' && (match[1] ?? '') === (match[1] ?? '').toLowerCase() && match[1] !== 'k';
  if (!bits) return { value: number * factor };
  return {
    value: (number * factor) / 8,
    note: unclear ? 'All small letters: read as bits. Write MB/s if bytes are meant.' : 'Bits: 8 to a byte.',
  };
}

const DAYS: Record<string, number> = { d: 1, w: 7, m: CALENDAR_YEAR_DAYS / 12, y: CALENDAR_YEAR_DAYS };

/** `GB/day`, `TB a year`. */
function perDayOf(number: number, unit: string): Meaning | undefined {
  const [what = '', days] = withPeriod(unit);
  const size = days === undefined ? undefined : sizeOf(number, what);
  return size && what !== '' ? { value: size.value / days! } : undefined;
}

/** `a day`, `per week`, `times a month`; a bare number is a day's. */
function timesOf(number: number, unit: string): Meaning | undefined {
  const [what = '', days] = withPeriod(unit);
  return days !== undefined && /^(x|×|times?)?$/i.test(what) ? { value: number / days } : undefined;
}

/** Splits off a period at the end: what stands before it, and its days (1 where none is named). */
function withPeriod(unit: string): [string?, number?] {
  const match =
    /^(.*?)\s?(?:(?:\/|\bper\b|\ba\b|\ban\b|\beach\b)\s?(days?|d|weeks?|w|months?|years?|y|yr))?$/i.exec(
      unit,
    );
  return match ? [match[1]!.trim(), match[2] ? DAYS[match[2][0]!.toLowerCase()] : 1] : [];
}

/** Dimensions whose units are a word each. A bare number is in the first. */
const PLAIN: Record<
  'iops' | 'power' | 'length' | 'temperature',
  { unit: Unit; words: Record<string, number> }
> = {
  iops: { unit: 'IOPS', words: { iops: 1, k: 1e3, 'k iops': 1e3, m: 1e6, 'm iops': 1e6, 'i/o/s': 1 } },
  power: { unit: 'W', words: { w: 1, watt: 1, watts: 1, mw: 1e-3, kw: 1e3 } },
  length: { unit: 'mm', words: { mm: 1, cm: 10, m: 1000, in: 25.4, '"': 25.4 } },
  temperature: { unit: '°C', words: { '°c': 1, c: 1, deg: 1, '°': 1, degrees: 1 } },
};

function plainly(number: number, unit: string, dimension: keyof typeof PLAIN): Meaning | undefined {
  if (dimension === 'temperature' && /^(°\s?f|f|fahrenheit)$/i.test(unit))
    return { value: ((number - 32) * 5) / 9, note: 'Fahrenheit.' };
  const factor = unit === '' ? 1 : own(PLAIN[dimension].words, unit.toLowerCase().replace(/\s+/g, ' '));
  return factor === undefined ? undefined : { value: number * factor };
}

function countOf(number: number, unit: string): Meaning | undefined {
  const match = COUNTED.exec(unit);
  if (!match) return undefined;
  const word = (match[1] ?? match[2] ?? '').toLowerCase();
  const factor = word === 'k' || word === 'thousand' ? 1e3 : word === 'm' || word === 'million' ? 1e6 : 1;
  const value = number * factor;
  return {
    value: Math.round(value),
    ...(Number.isInteger(value) ? {} : { note: 'Rounded to a whole number.' }),
  };
}
