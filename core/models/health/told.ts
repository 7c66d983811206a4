import { format, numeral } from '../../units';
import type { HealthCounters } from './counters';

type Key = Exclude<keyof HealthCounters, 'from' | 'warnings'>;

const count = (value: number) => numeral(value);
const ROWS: readonly [key: Key, label: string, words: (value: number) => string][] = [
  ['written', 'Written by the host', (v) => format(v, 'B', 4)],
  ['read', 'Read by the host', (v) => format(v, 'B', 4)],
  ['percentageUsed', 'Percentage used', (v) => format(v, '%')],
  ['powerOnHours', 'Power-on hours', count],
  ['powerCycles', 'Power cycles', count],
  ['unsafeShutdowns', 'Unsafe shutdowns', count],
  ['temperature', 'Temperature', (v) => format(v, '°C')],
  ['spare', 'Spare blocks left', (v) => format(v, '%')],
  ['spareThreshold', 'Warns below', (v) => format(v, '%')],
  ['mediaErrors', 'Media and data integrity errors', count],
  ['minutesWarm', 'Minutes above its warning temperature', count],
  ['minutesCritical', 'Minutes above its critical temperature', count],
];

/** What a drive counts, each with its name, as it was read. */
export const healthLines = (counters: HealthCounters): { key: Key; label: string; words: string }[] =>
  ROWS.flatMap(([key, label, words]) => {
    const value = counters[key];
    return value === null ? [] : [{ key, label, words: words(value) }];
  });

/** Hours of use for each unsafe shutdown below which somebody should ask why [common practice, no source]. */
const SHUTDOWN_HOURS = 24;

/** What a technician says of counters: `stop` where it should not be bought or trusted; `mind` where somebody should look. */
export function healthAdvice(counters: HealthCounters): { severity: 'stop' | 'mind'; words: string }[] {
  const {
    mediaErrors,
    percentageUsed,
    spare,
    spareThreshold,
    unsafeShutdowns,
    powerOnHours,
    minutesCritical,
  } = counters;
  const found: { severity: 'stop' | 'mind'; words: string }[] = counters.warnings.map((words) => ({
    severity: 'stop',
    words: `It warns: ${words}.`,
  }));
  const say = (severity: 'stop' | 'mind', holds: boolean, words: string) =>
    holds && found.push({ severity, words });
  say(
    'stop',
    (mediaErrors ?? 0) > 0,
    `Media errors: ${numeral(mediaErrors ?? 0)}. Do not buy it; keep nothing on it that has no other copy.`,
  );
  say(
    'stop',
    spare !== null && spareThreshold !== null && spare <= spareThreshold,
    `Spare blocks are down to ${format(spare ?? 0, '%')}: it warns below ${format(spareThreshold ?? 0, '%')}.`,
  );
  say('stop', (percentageUsed ?? 0) >= 1, `Its rated wear is used up: ${format(percentageUsed ?? 0, '%')}.`);
  say(
    'mind',
    percentageUsed !== null && percentageUsed >= 0.8 && percentageUsed < 1,
    `${format(percentageUsed ?? 0, '%')} of its rated wear is used.`,
  );
  say(
    'mind',
    unsafeShutdowns !== null &&
      powerOnHours !== null &&
      unsafeShutdowns > 10 &&
      powerOnHours / unsafeShutdowns < SHUTDOWN_HOURS,
    `${numeral(unsafeShutdowns ?? 0)} unsafe shutdowns in ${numeral(powerOnHours ?? 0)} hours: a loose port, or pulled without ejecting.`,
  );
  say(
    'mind',
    (minutesCritical ?? 0) > 0,
    `${numeral(minutesCritical ?? 0)} minutes above its critical temperature.`,
  );
  return found;
}
