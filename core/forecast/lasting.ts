import { middle, type Estimate } from '../evidence';
import { format, formatRange } from '../units';
import type { Situation } from './case';
import { isLife, type LifeForecast } from './wear';

/** What is told, everywhere, of how long a device's drives last. */
export interface Lasting {
  /** Years by which it is judged: what is left of a used drive, else from new. */
  years: Estimate;
  /** The sentence around the figure: of which drive, from when on, at what rate. */
  before: string;
  after: string;
  /** Whether it lasts the service life; null where nobody said how long that is. */
  covers: 'yes' | 'perhaps' | 'no' | null;
  coversWords: string | null;
}

/** How long a situation's drives last by what is rated; null where nothing is written, nothing rated or nothing known. */
export function lasting(
  { build, needs, serviceYears }: Pick<Situation, 'build' | 'needs' | 'serviceYears'>,
  life: LifeForecast,
): Lasting | null {
  if (!isLife(life) || !life.fromNew || !life.rate) return null;
  const isUsed = (needs.counters?.length ?? 0) > 0 && life.left !== null && !build.array;
  const years = isUsed ? life.left! : life.fromNew;
  const { together = 1 } = build;
  const each =
    together > 1
      ? build.array
        ? `, each of ${together} drives`
        : `, if one of the ${together} drives takes all of it`
      : '';
  const at = `at ${formatRange(life.rate, 'B/day')}${each}`;
  const range = isNarrow(years) ? '' : ` (${formatRange(years, 'years')})`;
  const told = isUsed
    ? { years, before: 'Of the rated writes ', after: `${range} are left ${at}.` }
    : { years, before: 'The rated writes last ', after: `${range} ${at}.` };
  const wanted = middle(serviceYears);
  if (wanted === null) return { ...told, covers: null, coversWords: null };
  const covers = years.low >= wanted ? 'yes' : years.high < wanted ? 'no' : 'perhaps';
  const service = `the service life of ${format(wanted, 'years')}`;
  const SAID = {
    yes: `They cover ${service}.`,
    perhaps: `They may run out within ${service}.`,
    no: `They run out within ${service}.`,
  };
  return { ...told, covers, coversWords: SAID[covers] };
}

/** {@link Lasting} as one sentence. */
export const lastingWords = ({ before, years, after }: Lasting): string =>
  `${before}${format(years.expected, 'years')}${after}`;

const isNarrow = ({ low, high }: Estimate): boolean => format(low, 'years') === format(high, 'years');
