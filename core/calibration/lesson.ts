import { Z90 } from '../stats';
import {
  ASSUMPTION_IDS,
  ASSUMPTIONS,
  assumedRange,
  remembered,
  type AssumptionId,
} from '../catalog/assumptions';
import { builtInClasses, DISK_NAMES, diskClasses, FLASH_NAMES, flashClasses } from '../catalog/classes';
import { screen, type Case } from '../forecast';
import type { Job } from '../job';
import { LESSON_SIGMA, trustedMeasurements, type Sound } from './sound';

/** What one job's measurement says of a row of the assumptions. */
export interface Lesson {
  row: AssumptionId;
  job: string;
  /** `value`: it decided the time. `at least`: a link that did not decide carried as much all the same. */
  tells: 'value' | 'at least';
  /** Logarithm of the row's value that gives the time that was measured, and one sigma of it. */
  log: number;
  sigma: number;
}

/** The row that decided a time must hold so much of its variance; the others say nothing. */
const DECIDES = 0.6;
/** A row that moves a time by less than this over its whole range, as a logarithm, is not what was measured. */
const LEAST = 0.04;
/** Sigmas from 5 to 95 %. */
/** A value is looked for so many times beyond the row's own range. */
const BEYOND = 4;
const STEPS = 40;

/** Rows that are the equipment's: not what a customer's work or a drive's fill happens to be. */
const TEACHABLE = ASSUMPTION_IDS.filter((id) => {
  const { used, value } = ASSUMPTIONS[id];
  const isEquipment = used.includes('path') || used.includes('transfer') || used.includes('loads');
  return isEquipment && !used.includes('workload') && value.low > 0 && value.high > value.low;
});

const exact = (value: number) => ({ low: value, expected: value, high: value });

/** Logarithm of the s of a case with a row at one value. */
function logAt(of: Case, row: AssumptionId, value: number): number | null {
  const seconds = screen({ ...of, shopRanges: { ...of.shopRanges, [row]: exact(value) } });
  return seconds !== null && seconds > 0 ? Math.log(seconds) : null;
}

/** By how much each row moves a time over its range, as a logarithm. */
function sensitivitiesOf(of: Case): { row: AssumptionId; sensitivity: number }[] {
  return TEACHABLE.flatMap((row) => {
    const { low, high } = assumedRange(row, of.shopRanges);
    const [a, b] = [logAt(of, row, low), logAt(of, row, high)];
    return a !== null && b !== null && Math.abs(b - a) > 1e-6 ? [{ row, sensitivity: b - a }] : [];
  });
}

/** The logarithm of the value at which a row gives a time; null where none does. */
function valueFor(of: Case, row: AssumptionId, time: number): number | null {
  const { low, high } = assumedRange(row, of.shopRanges);
  const { unit } = ASSUMPTIONS[row];
  let [a, b] = [
    Math.log(low / BEYOND),
    Math.log(unit === 'ratio' ? Math.min(1, high * BEYOND) : high * BEYOND),
  ];
  const at = (log: number) => logAt(of, row, Math.exp(log));
  const [first, last] = [at(a), at(b)];
  if (first === null || last === null || (first - time) * (last - time) > 0) return null;
  const rises = last > first;
  for (let i = 0; i < STEPS; i++) {
    const middle = (a + b) / 2;
    const here = at(middle);
    if (here === null) return null;
    if (here < time === rises) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/**
 * What an accepted job teaches: of each measurement the row that decided its time, at the value that gives the time.
 * @param shopRanges the shop's own ranges, without what was learned: learned values are not learned from again
 */
export const lessonsOf = remembered((job: Job, shopRanges): Lesson[] =>
  trustedMeasurements(job, shopRanges).flatMap((measured) => {
    const decided = valueOf(measured);
    return [...(decided ? [decided] : []), ...boundsOf(measured, decided?.row)];
  }),
);

/** Rows of what a link carries: the others of a path teach that they carried no less. */
const LINKS = TEACHABLE.filter((id) => id.startsWith('link.'));

/** Whether a row is of a class that nobody knows a drive to be of: a time tells the class then, if anything. */
function isOpen(row: AssumptionId, { build: { drive }, host, shopRanges }: Case): boolean {
  const [of, one] = row.split('.') as [string, string];
  if (of === 'built-in') return builtInClasses(host, shopRanges).some(({ id }) => id !== one);
  const names = drive.media === 'disk' ? DISK_NAMES : FLASH_NAMES;
  // Some rows are of several classes, and begin as they do: PCIe TLC, whatever its cache.
  const isOf = (id: string) => (of in names ? id === of : id.startsWith(`${of}-`));
  if (!Object.keys(names).some(isOf)) return false;
  const classes = drive.media === 'disk' ? diskClasses(drive, shopRanges) : flashClasses(drive, shopRanges);
  return !classes.every(({ id }) => isOf(id));
}

/** The row that decided a time, at the value that gives it; null where none did. */
function valueOf({ of, job, time, reading }: Sound): Lesson | null {
  const sensitivities = sensitivitiesOf(of);
  const total = sensitivities.reduce((sum, { sensitivity }) => sum + sensitivity ** 2, 0);
  const [most] = sensitivities.sort((a, b) => Math.abs(b.sensitivity) - Math.abs(a.sensitivity));
  if (!most || Math.abs(most.sensitivity) < LEAST || most.sensitivity ** 2 < DECIDES * total) return null;
  const log = isOpen(most.row, of) ? null : valueFor(of, most.row, time);
  if (log === null) return null;
  const range = assumedRange(most.row, of.shopRanges);
  const others = Math.sqrt(Math.max(0, total - most.sensitivity ** 2)) / (2 * Z90);
  const slope = Math.abs(most.sensitivity) / Math.log(range.high / range.low);
  const sigma = Math.hypot(others, reading, LESSON_SIGMA) / slope;
  return { row: most.row, job, tells: 'value', log, sigma };
}

/** What every other link of the path carried at least: with less than that it would have taken longer by itself. */
const boundsOf = ({ of, job, time, reading }: Sound, decided: AssumptionId | undefined): Lesson[] =>
  LINKS.filter((row) => row !== decided).flatMap((row) => {
    const log = valueFor(of, row, time);
    const sigma = Math.hypot(reading, LESSON_SIGMA);
    return log === null ? [] : [{ row, job, tells: 'at least' as const, log, sigma }];
  });
