import { rebuildWords, survivalWords } from '../forecast';
import type { ArrayForecast, CourseSheet, FirstTask, Sensitivity } from '../forecast';
import type { Activity, Place } from '../job';
import type { Cause } from '../models';
import { format, formatProbability, formatRange, rangeBehind } from '../units';
import { placeId } from './flow';
import { naming, say, type Said } from './statement';

const CAUSE: Record<Cause, string> = {
  links: 'the links',
  other: 'the other end',
  'other rest': 'the other end, past its cache',
  cache: 'the drive in its cache',
  rest: 'the drive past its cache',
  drive: 'the drive',
  heat: 'heat',
  memory: 'the host’s memory',
  pace: 'the program’s pace',
  share: 'other work beside it',
  files: 'the files’ own cost',
};

type Told = Pick<CourseSheet, 'phases' | 'bar' | 'hottest' | 'energy'>;

/** How a copy runs: its stretches, when its bar is full, how warm the drive gets. @param seconds that it takes until all is written */
export function courseSaid(
  activity: Activity,
  { phases, bar, hottest, energy }: Told,
  seconds: number,
): Said<'phases' | 'bar' | 'warm'> {
  const moved = phases.filter((p) => p.to.bytes > p.from.bytes);
  const ahead = seconds - bar.expected;
  const rest =
    'verify' in activity && activity.verify
      ? 'all is written and read back'
      : 'all is written: eject before unplugging';
  return say('forecast', naming('course', activity.id), {
    phases: `${moved
      .map(
        (p, i) =>
          `${i === 0 ? 'First' : 'then'} ${format(p.to.bytes - p.from.bytes, 'B')} at ${format(p.rate, 'B/s')} (${p.name})`,
      )
      .join(', ')}.`,
    bar:
      ahead > 1
        ? `The progress bar is full after ${format(bar.expected, 's')}, ${format(ahead, 's')} before ${rest}.`
        : null,
    warm:
      hottest &&
      `The drive gets ${format(hottest.expected, '°C', 2)} warm${rangeBehind(hottest, '°C', 2)}` +
        `${energy ? ` and draws ${format(energy.expected, energy.unit)}` : ''}.`,
  });
}

/** What share of a copy's time something takes. */
export const shareSaid = (
  activity: Activity,
  { cause, share }: CourseSheet['causes'][number],
): Said<'share'> =>
  say('forecast', naming('course', activity.id, cause), {
    share: `${CAUSE[cause]}, ${format(share, '%', 2)}`,
  });

/** How far one input alone moves a copy's time. */
export const driverSaid = (activity: Activity, { id, input, at }: Sensitivity): Said<'moves'> =>
  say('forecast', naming('driver', id, activity.id), {
    moves: input
      ? `${at.map((p) => p.is).join(' to ')}: ${formatRange({ low: at[0]!.seconds, high: at.at(-1)!.seconds }, 's')}`
      : at.map((p) => `${p.is}: ${format(p.seconds, 's')}`).join(', '),
  });

/** What is done first, and how long it takes. */
export const taskSaid = (place: Place, { activity, name, takes }: FirstTask): Said<'task'> =>
  say('forecast', naming('first', activity, placeId(place)), {
    task: `${name}, ${format(takes.expected, 's')}`,
  });

/** What several drives as one hold, survive and lose. */
export function arraySaid(place: Place, array: ArrayForecast): Said<'holds'> {
  const { usable, loss, smallWrite } = array;
  const rebuilt = rebuildWords(array);
  return say('forecast', naming('array', placeId(place)), {
    holds:
      `Together they hold ${format(usable.expected, 'B')}; ${survivalWords(array)}` +
      (rebuilt === null
        ? '. '
        : `; ${rebuilt}. A write smaller than a stripe costs ${smallWrite} operations. `) +
      `Data lost within the service life: ${formatProbability(loss.expected)}. An array is one copy, not a backup.`,
  });
}
