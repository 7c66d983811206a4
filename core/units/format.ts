import { numeral } from './intl';
import type { Unit } from './unit';
import { CALENDAR_YEAR_DAYS } from './year';

const STEPS: [number, string][] = [
  [1e15, 'P'],
  [1e12, 'T'],
  [1e9, 'G'],
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
];

/** Digits to so many significant ones, never rounding away whole ones; thousands grouped by commas. */
function digits(value: number, significant: number): string {
  if (value === 0) return '0';
  const whole = Math.abs(value) >= 10 ** (significant - 1);
  const decimals = whole ? 0 : Math.max(0, significant - 1 - Math.floor(Math.log10(Math.abs(value)) + 1e-12));
  return numeral(value, decimals);
}

const isRound = (value: number): boolean =>
  Math.abs(value - Number(value.toPrecision(3))) <= Math.abs(value) * 1e-9;

/** B a day. Told to more digits than are read off, as in a field, a round figure of a year is that: somebody typed `2 TB a year`. */
function growthWords(value: number, significant: number): string {
  const yearly = value * CALENDAR_YEAR_DAYS;
  return significant > 3 && isRound(yearly) && !isRound(value)
    ? `${scaled(yearly, 'B', significant)}/year`
    : `${scaled(value, 'B', significant)}/day`;
}

/**
 * A value in its base unit as people read it, e.g. 4.3e8 B/s → `430 MB/s`.
 * @param significant digits kept, 3 by default; durations keep what a clock shows
 * @example format(4.3e8, 'B/s') // '430 MB/s'
 */
export function format(value: number, unit: Unit, significant = 3): string {
  if (Number.isNaN(value)) return 'not known';
  if (!Number.isFinite(value)) return value > 0 ? 'without end' : 'none';
  switch (unit) {
    case 'B':
      return scaled(value, 'B', significant);
    case 'B/day':
      return growthWords(value, significant);
    case 'B/s':
      return `${digits(value / 1e6, value >= 1e9 ? Math.max(4, significant) : significant)} MB/s`;
    case 'bit/s':
      return `${digits(value / 1e9, significant)} Gb/s`;
    case 's':
      return duration(value, significant);
    case 'ratio':
      return digits(value, significant);
    case '%':
      return `${digits(value * 100, significant)} %`;
    case 'years':
      return yearsWords(value);
    case 'W':
    case 'mm':
    case '°C':
    case 'K':
    case 'K/W':
    case 'J/K':
      return `${digits(value, significant)} ${unit}`;
    case 'J':
      return `${digits(value / 3600, significant)} Wh`;
    case 'lanes':
      return `×${value}`;
    case 'per day':
      return timesWords(value, significant);
    case 'count':
    case 'IOPS':
      return `${digits(value, Math.max(significant, 3))}${unit === 'count' ? '' : ' IOPS'}`;
  }
}

/** More years than these nobody counts. */
const MOST_YEARS = 100;

/** Years as people say them, everywhere in the same digits: `3 days`, `8 weeks`, `5 months`, `4.6 years`, `over 100 years`. */
function yearsWords(years: number): string {
  const days = years * CALENDAR_YEAR_DAYS;
  if (years > MOST_YEARS) return `over ${MOST_YEARS} years`;
  // Less than a day of them is nothing that anybody says in years.
  if (years > 0 && days < 1) return duration(days * 86_400);
  if (years > 0 && days < 13.5) return `${digits(days, 1)} days`;
  if (years > 0 && days < 62) return `${digits(days / 7, 1)} weeks`;
  if (years > 0 && years < 0.95) return `${digits(years * 12, 1)} months`;
  return `${digits(years, 2)} years`;
}

/** How often, in the words of whoever said it: `3 a day`, `2 a week`, `2 a month`, `once a year`. */
function timesWords(perDay: number, significant: number): string {
  if (perDay === 0) return 'once';
  const often = [
    [1, 'a day'],
    [7, 'a week'],
    [CALENDAR_YEAR_DAYS / 12, 'a month'],
  ] as const;
  const [days, words] = often.find(([days]) => perDay * days >= 0.95) ?? [CALENDAR_YEAR_DAYS, 'a year'];
  return `${digits(perDay * days, significant)} ${words}`;
}

/** Of a range. */
interface Ends {
  low: number;
  high: number;
}

/**
 * A range as people read it: what rounds to the same is said once, its unit but once.
 * @example formatRange({ low: 412, high: 655 }, 's') // '6 min 52 s to 10 min 55 s'
 * @example formatRange({ low: 241, high: 421 }, 's') // '4 min 01 s to 7 min 01 s'
 */
export function formatRange({ low, high }: Ends, unit: Unit, significant = 3): string {
  const [from, to] = [format(low, unit, significant), format(high, unit, significant)];
  if (from === to) return from;
  const [number, unitOf] = [/^[\d.,]+/.exec(from)?.[0], from.replace(/^[\d.,]+/, '')];
  // Of `4 min 01 s` all is figure: what is said once holds no digit.
  return number &&
    !/\d/.test(unitOf) &&
    to.endsWith(unitOf) &&
    /^[\d.,]+$/.test(to.slice(0, to.length - unitOf.length))
    ? `${number} to ${to}`
    : `${from} to ${to}`;
}

/**
 * A range as it stands behind its figure, in brackets; nothing where both ends read the same.
 * @example rangeBehind({ low: 59, high: 61 }, '°C', 2) // ' (59 to 61 °C)'
 */
export const rangeBehind = (range: Ends, unit: Unit, significant = 3): string =>
  format(range.low, unit, significant) === format(range.high, unit, significant)
    ? ''
    : ` (${formatRange(range, unit, significant)})`;

/** With the largest prefix that leaves a whole part; endurance is told in TB far beyond a thousand, so P starts at ten. */
function scaled(value: number, unit: string, significant: number): string {
  const [size, prefix] = STEPS.find(([step]) => Math.abs(value) >= step * (step === 1e15 ? 10 : 0.9995)) ?? [
    1,
    '',
  ];
  return `${digits(value / size, significant)} ${prefix}${unit}`;
}

/**
 * `0.42 s`, `42.3 s`, `7 min 05 s`, `1 h 27 min`, `3.2 days`: the grain follows the length.
 * @example duration(5220) // '1 h 27 min'
 */
export function duration(seconds: number, significant = 3): string {
  const fine = significant > 3;
  if (seconds < 0) return `−${duration(-seconds, significant)}`;
  if (seconds < 1e-3 && seconds > 0) return `${digits(seconds * 1e6, 3)} µs`;
  if (seconds < 0.1 && seconds > 0) return `${digits(seconds * 1e3, 3)} ms`;
  if (seconds < 59.95) return `${digits(seconds, fine ? 4 : 3)} s`;
  const two = (n: number) => String(n).padStart(2, '0');
  if (seconds < 3599.5 || (fine && seconds < 86400)) {
    const whole = Math.round(seconds);
    if (whole < 3600) return `${Math.floor(whole / 60)} min ${two(whole % 60)} s`;
    return `${Math.floor(whole / 3600)} h ${two(Math.floor((whole % 3600) / 60))} min ${two(whole % 60)} s`;
  }
  const minutes = Math.round(seconds / 60);
  if (minutes < 2880) return `${Math.floor(minutes / 60)} h ${two(minutes % 60)} min`;
  return `${digits(seconds / 86400, 3)} days`;
}
