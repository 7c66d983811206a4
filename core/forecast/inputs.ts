import type { Chosen, Spread, Uncertain } from '../stats';
import type { Estimate, Fact } from '../evidence';
import type { Direction } from '../catalog/links';
import type { Path, Requests } from '../assembly';
import type { Flow } from '../models';

/** What stands at the other end of a transfer: storage, memory, or the same drive. */
export type OtherEnd = 'storage' | 'memory' | 'itself';

/** A transfer as the models see it: an activity's, or a run's own. */
export interface Transfer {
  direction: Direction;
  bytes: Fact;
  files: Fact;
  otherEnd: OtherEnd;
  /** Size of a request in B and how many are under way at once; absent where a system's copy keeps the path full. */
  requests?: Requests | undefined;
  /** Several at the other end one after another: the path to each, and the bytes on it; what it says of one end does not count then. */
  sequentialSources?: readonly { path: Path; bytes: Fact }[] | undefined;
  /** All is read back afterwards. */
  verify?: boolean | undefined;
  /** So many streams side by side. */
  streams?: number | undefined;
}

/**
 * Names everything a transfer depends on, in B, B/s, s, °C, W; what does not apply is left out. A name is also what its draws are seeded by: another
 * one is other draws, and every range moves by what a thousand of them scatter.
 */
export type InputId =
  /** The work. */
  | 'bytes'
  | 'files'
  /** Cost of each file beside its bytes. */
  | 'perFile'
  /** What the copying itself costs each byte. */
  | 'perByte'
  /** The links in the transfer's own direction, and in the other one. */
  | 'links'
  | 'back'
  /** The other end: its rate, sustained rate and cache; the host's memory before it. */
  | 'other'
  | 'otherRest'
  | 'otherCache'
  | `other ${number}`
  | `part ${number}`
  | 'buffer'
  | 'memory'
  /** The drive: its rates, its cache and how that refills, where its data lies. */
  | 'read'
  | 'write'
  | 'rest'
  | 'cache'
  | 'stays'
  | 'capacity'
  | 'fill'
  | 'refill'
  | 'inner'
  | 'seek'
  /** One request that is waited for. */
  | 'latency'
  /** Its heat. */
  | 'air'
  | 'resistance'
  | 'heatCapacity'
  | 'idle'
  | 'busy'
  | 'hot'
  | 'cooler'
  | 'low'
  | 'floor';

/** Names what is one way or another; each also names its draws. */
export const CHOICES = {
  zones: 'law of its zones',
  recording: 'how it records',
  throttle: 'how it throttles',
  revision: 'which revision',
  class: 'class of the drive',
  builtIn: 'class of the other end',
} as const;

export type Numbers = Partial<Record<InputId, number>>;

/** Everything a transfer depends on, and the flows it stands for. */
export interface Inputs<T extends Spread = Estimate> extends Uncertain<string> {
  inputs: Record<string, T> & Record<'bytes' | 'files' | 'perFile', T>;
  /** What each input belongs to: with the same figures, what belongs to the same thing is drawn alike. */
  drawKeys: Readonly<Record<string, string>>;
  /** The flows these numbers stand for: the transfer's own first, then what runs beside it. */
  plan(x: Readonly<Record<string, number>>, chosen: Chosen): Flow[];
  /** How many of the flows are the transfer's own. */
  own: number;
  /** What the models leave out of its time, a factor. */
  beyond: Spread;
}
