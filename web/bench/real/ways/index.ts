import { COPY } from './copy';
import { FILES } from './files';
import { PROBE } from './probe';
import { RANDOM } from './random';
import { READ } from './read';
import { WRITE, WRITE_READ } from './sequential';
import { STEADY } from './steady';
import type { Way } from './way';

export { FIRST, type Choices, type Way } from './way';

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
} satisfies Record<string, Way>;
export type WayId = keyof typeof WAYS;
