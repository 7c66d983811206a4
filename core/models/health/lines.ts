import { DATA_UNIT } from '../endurance/endurance';
import type { HealthCounters } from './counters';

const percent = (share: number): string => String(Math.round(share * 1e6) / 1e4);
const whole = (value: number): string => String(Math.round(value));

/** Each counter by its standard's name, and how a line says it. */
const LINES: readonly [
  key: Exclude<keyof HealthCounters, 'from' | 'warnings'>,
  name: string,
  say: (v: number) => string,
][] = [
  ['written', 'Data Units Written', (v) => whole(v / DATA_UNIT)],
  ['read', 'Data Units Read', (v) => whole(v / DATA_UNIT)],
  ['percentageUsed', 'Percentage Used', percent],
  ['powerOnHours', 'Power On Hours', whole],
  ['powerCycles', 'Power Cycles', whole],
  ['unsafeShutdowns', 'Unsafe Shutdowns', whole],
  ['temperature', 'Composite Temperature', whole],
  ['spare', 'Available Spare', percent],
  ['spareThreshold', 'Available Spare Threshold', percent],
  ['mediaErrors', 'Media and Data Integrity Errors', whole],
  ['minutesWarm', 'Warning Composite Temperature Time', whole],
  ['minutesCritical', 'Critical Composite Temperature Time', whole],
];

/** Counters as lines in the standards' field names, as they can be pasted: of a raw page, what a person can read. */
export const linesOf = (counters: HealthCounters): string =>
  LINES.flatMap(([key, name, say]) =>
    counters[key] === null ? [] : [`${name}: ${say(counters[key])}`],
  ).join('\n');
