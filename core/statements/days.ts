import type { Build } from '../assembly';
import { middle, type Fact } from '../evidence';
import type { DaysForecast } from '../forecast';
import type { Place } from '../job';
import type { Spread } from '../stats';
import { counted, format, YEAR_DAYS } from '../units';
import { placeId } from './flow';
import { naming, say, type Statement } from './statement';

/** How far ahead the days are lived through when nobody says how long the drive is wanted; and at most, years. */
const [AHEAD, MOST] = [5, 10];

/** Years that are lived through day by day. */
export const yearsAhead = ({ serviceYears }: { serviceYears?: Fact | undefined }): number =>
  Math.min(MOST, Math.max(1, middle(serviceYears) ?? AHEAD));

/** What the years bring, sentence by sentence: whether the cache recovers, when it is full, slow, worn. */
export function daysSaid(
  place: Place,
  { drive, bridge }: Build,
  { days, ends, activities, recovers }: DaysForecast,
  years: number,
): { said: Statement; isBad: boolean }[] {
  const [start, last] = [days[0], days.at(-1)];
  if (!start || !last) return [];
  const withoutTrim = drive.media === 'flash' && bridge?.trim === false;
  const one = (of: string, words: string, isBad = false) => ({
    said: say<'days'>('forecast', naming('years', of, placeId(place)), { days: words }).days!,
    isBad,
  });
  const slow = ends.slow.map(({ activity, when: at }) => {
    const i = activities.findIndex((a) => a.id === activity);
    const [first, end] = [start.seconds[i]!, last.seconds[i]!];
    const late = Number.isFinite(at.low)
      ? `longer than the target ${when(at, years)}`
      : 'within the target all the time';
    const change =
      Math.abs(end / first - 1) > 0.01
        ? `, from ${format(first, 's')} at first to ${format(end, 's')} at the end`
        : '';
    return one(activity, `${activities[i]!.name}: ${late}${change}.`, Number.isFinite(at.expected));
  });
  const { worn } = ends;
  return [
    one(
      'cache',
      recovers
        ? `The cache is back every time it is needed${withoutTrim ? ', as long as a fifth stays unpartitioned: this enclosure does not pass TRIM' : ''}.`
        : 'The cache is not back every time it is needed: what follows too soon is slower.',
    ),
    one('full', fullWords(ends, last.fill, years)),
    ...slow,
    ...(worn && Number.isFinite(worn.low) && worn.low < years
      ? [one('worn', `Written as much as rated ${when(worn, years)}.`, true)]
      : []),
  ];
}

/** When it is full, as far as the brief says what stays on it. */
function fullWords({ full, fullIfAdding }: DaysForecast['ends'], fill: number, years: number): string {
  if (!fullIfAdding)
    return Number.isFinite(full.low)
      ? `Full ${when(full, years)}.`
      : `Not full within ${years} years: ${format(fill, '%', 2)} in use at the end.`;
  const adding = Number.isFinite(fullIfAdding.low)
    ? `full ${when(fullIfAdding, years)}`
    : `not full within ${years} years`;
  return `If each copy adds to the last: ${adding}. If it takes its place: ${
    Number.isFinite(full.low) ? `full ${when(full, years)}` : 'it does not fill up'
  }. The brief does not say which.`;
}

/** A range of dates in words; what lies beyond the years looked at is said to. */
function when({ low, expected, high }: Spread, years: number): string {
  const at = (v: number) => (v < 1 / 12 ? counted(Math.ceil(v * YEAR_DAYS), 'day') : format(v, 'years', 2));
  if (!Number.isFinite(expected)) return `after ${at(low)} at the earliest, more likely not within ${years}`;
  if (expected === 0)
    return high === 0 ? 'from the first day on' : 'more likely than not from the first day on';
  const [from, to] = [at(low), Number.isFinite(high) ? at(high) : `beyond ${years}`];
  return `after about ${at(expected)}${from === to ? '' : ` (${from} to ${to})`}`;
}
