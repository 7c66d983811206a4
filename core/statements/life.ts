import { isLife, lastingWords, type JobForecast, type LifeForecast } from '../forecast';
import type { Money, Place } from '../job';
import { calendarMonth, format, moneyWords, rangeBehind } from '../units';
import { naming, rangeWords, say, type Said } from './statement';
import { placeId } from './flow';

/** How long a device's drives last, and what is rated: it counts all that it does, whichever of its machines one looks from. */
export function lifeSaid(
  { device }: Place,
  { life, lasting, workload }: Pick<JobForecast, 'life' | 'lasting' | 'workload'>,
): Said<'lasts' | 'sentence' | 'covers' | 'allowed' | 'allows' | 'yearly' | 'cells' | 'counter'> {
  const rated = isLife(life) ? life : null;
  return say('forecast', device, {
    lasts: lasting && format(lasting.years.expected, 'years'),
    sentence: lasting && lastingWords(lasting),
    covers: lasting?.coversWords ?? null,
    allowed: rated?.allowed ? format(rated.allowed.expected, 'B/day') : null,
    allows: rated && [allowedWords(rated), ...rated.notes].join(' '),
    yearly:
      workload &&
      `Reading and writing use ${format(workload.expected, '%')} of the disk’s yearly workload rating` +
        `${rangeBehind(workload, '%', 2)}${workload.high > 1 ? ': more than it is rated for' : ''}.`,
    cells:
      rated?.byCells &&
      `From new, by the cells’ cycles: ${format(rated.byCells.expected, 'years')}${rangeBehind(rated.byCells, 'years')}.`,
    counter: counterWords(rated),
  });
}

type Rated = Exclude<LifeForecast, { problem: string }>;

const allowedWords = ({ allowed, dwpd }: Rated): string =>
  allowed && dwpd
    ? `Allowed: ${format(allowed.expected, 'B/day')}; ${format(dwpd.expected, 'ratio', 2)} drive writes a day.`
    : 'What is allowed a day waits for the warranty’s years: enter them with the part.';

/** What a drive's own counter tells: how much it takes a day, and how long that goes on. */
function counterWords(life: Rated | null): string | null {
  const { left, rate, runsOut } = life?.byCounters ?? {};
  if (!left || !rate) return null;
  const until = runsOut
    ? `, until about ${calendarMonth(runsOut.expected)} (${calendarMonth(runsOut.earliest)} to ${calendarMonth(runsOut.latest)})`
    : '';
  return `By its own counter it has taken ${format(rate.expected, rate.unit)}: ${format(left.expected, 'years')} left${rangeBehind(left, 'years')}${until}.`;
}

/**
 * What a device cost for each year that it serves: as long as it is wanted to, or as its rated writes last where that is less.
 * @param serviceYears how long it is wanted to serve; null where nobody said
 */
export function costSaid(
  device: string,
  paid: Money | undefined,
  lasting: JobForecast['lasting'],
  serviceYears: number | null,
): Said<'cost'> {
  const lasts = lasting?.years.expected ?? null;
  const years = Math.min(lasts ?? Infinity, serviceYears ?? Infinity);
  if (!paid) return {};
  const price = (amount: number) => moneyWords(amount, paid.currency);
  const isKnown = Number.isFinite(years) && years > 0;
  const yearly = isKnown && price(Math.round((paid.amount / years) * 100) / 100);
  const why = years === serviceYears ? 'it is wanted for' : 'its rated writes last';
  const over = yearly ? `: ${yearly} a year over the ${format(years, 'years')} ${why}` : '';
  return say('told', naming('paid', device), { cost: `${price(paid.amount)} paid${over}.` });
}

/** How long a full format takes, as forecast or as its checkpoints tell. */
export const formatSaid = (
  place: Place,
  { format: whole }: Pick<JobForecast, 'format'>,
  isOver = false,
): Said<'takes' | 'range' | 'behind' | 'about'> =>
  say('forecast', naming('full format', placeId(place)), {
    takes: whole && format(whole.expected, 's'),
    range: whole && rangeWords(whole, 's'),
    behind: whole && rangeBehind(whole, 's').trim(),
    about:
      whole &&
      (isOver
        ? `The full format took ${format(whole.expected, 's')}.`
        : `A full format takes about ${format(whole.expected, 's')}${rangeBehind(whole, 's')}; its progress can be followed in Set-up.`),
  });
