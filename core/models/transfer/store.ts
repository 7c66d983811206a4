import type { Pieces, Zones } from './zones';

/** How a drive slows itself down when it gets hot. */
export type Throttle =
  /** Held at the rate at which it stays at `at` °C, yet never below the share `floor` of its speed. */
  | { kind: 'hold'; at: number; floor: number }
  /** Down to the share `share` of its speed at `at` °C, back up at `until` °C. */
  | { kind: 'step'; at: number; until: number; share: number };

/** A medium as a body that warms up: °C, K/W, J/K, W fully busy in each direction. */
export interface Heat {
  ambient: number;
  resistance: number;
  capacity: number;
  idle: number;
  read: number;
  write: number;
  throttle: Throttle | null;
  /** Temperature at the start; absent: settled, doing nothing. */
  start?: number;
}

/** A medium that data comes from or goes to, in bare numbers: B/s, B, s. */
export interface Store {
  /** The drive of the job, or what stands at the other end. */
  role: 'drive' | 'other';
  read: number;
  /** While the cache lasts, or always. */
  write: number;
  /** Once it is used up. */
  sustained: number;
  /** What the cache takes now; Infinity where it never runs out. */
  cache: number;
  /** What it takes when nothing is in it; absent: as much as now. */
  cacheMost?: number;
  /** B/s at which the cache empties itself while nothing is written. */
  refill?: number;
  zones?: Zones | null;
  /** Several media one after another: where each ends, and its share of the rate of the fastest, which `read` and `write` are. */
  sequentialSources?: Pieces | null;
  /** What a switch between streams costs, s, and how many bytes pass between two switches. */
  seek?: number;
  chunk?: number;
  heat?: Heat | null;
}

/** What lies between memory and a medium, or between two media. */
export interface Wire {
  read: number;
  write: number;
  /** Both directions share it. */
  halfDuplex?: boolean;
  role: 'links' | 'other';
}

/** One end of a flow: where, over what, and at which position (0 to 1) of a disk it begins. */
export interface Side {
  store: Store;
  wire?: Wire | null;
  at?: number;
}

/** A finite stream of bytes from one medium to another. */
export interface Flow {
  bytes: number;
  files: number;
  /** Cost of each file beside its bytes, s. */
  perFile: number;
  from: Side;
  to: Side;
  /** B of the host's memory that take the first bytes before they are written; 0 for none. */
  buffer: number;
  /** B/s at which memory takes them. */
  memory?: number | undefined;
  /** B/s at which the bytes come about or are wanted; absent: as fast as can be. */
  pace?: number | undefined;
  /** So many streams side by side; a disk seeks between them. */
  streams?: number | undefined;
  /** Begins when that flow is safe, by its index in the list (an earlier one). */
  after?: number;
}
