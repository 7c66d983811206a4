import { COPY } from './copy';
import { FILES } from './files';
import { PROBE } from './probe';
import { RANDOM } from './random';
import { READ } from './read';
import { WRITE, WRITE_READ } from './sequential';
import { STEADY } from './steady';
import type { MeasuringWay } from './way';

export { FIRST_CHOICES, type Choices, type MeasuringWay } from './way';

/** All ways to measure in a folder of this machine. */
export const WAYS = {
  'write-read': WRITE_READ,
  write: WRITE,
  files: FILES,
  random: RANDOM,
  steady: STEADY,
  copy: COPY,
  read: READ,
  probe: PROBE,
} satisfies Record<string, MeasuringWay>;
export type WayId = keyof typeof WAYS;
