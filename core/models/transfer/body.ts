import type { Flow, Store } from './store';
import type { Pieces } from './zones';

/** What holds a stretch of a transfer at its rate. */
export type Limit =
  'links' | 'other' | 'other rest' | 'cache' | 'rest' | 'drive' | 'heat' | 'memory' | 'pace' | 'share';
/** Where time goes: what holds the rate, and the files' own cost. */
export type Cause = Limit | 'files';

/** Everything constant, or closed-form in the case of warmth, between two events. */
export interface Stretch {
  /** s since the start of all. */
  from: number;
  seconds: number;
  /** B that the source had given and the destination had taken when it began. */
  given: number;
  taken: number;
  /** B/s that the progress bar shows, and that are really written. */
  bar: number;
  rate: number;
  /** What holds the bar, and what holds the writing. */
  barLimit: Limit;
  limit: Limit;
  /** °C of the drive: at the beginning, where it is heading, with which time constant; null for what does not warm up. */
  warm: { from: number; to: number; tau: number } | null;
}

/** A medium under way. */
export interface Body {
  store: Store;
  cache: number;
  warm: number;
  /** In the low step of a throttle that goes in steps. */
  low: boolean;
  /** Goes up and down between its steps with nothing else changing. */
  cycling: boolean;
  /** State when it last went low, to jump over whole cycles. */
  mark: Mark | null;
  streams: number;
  writing: number;
  power: number;
  to: number;
  tau: number;
  energy: number;
  hottest: number;
}

export interface Mark {
  regime: number;
  time: number;
  flows: { given: number; taken: number; by: Partial<Record<Cause, number>> }[];
  bodies: { cache: number; energy: number }[];
}

export interface Course {
  flow: Flow;
  from: Body;
  to: Body;
  pieces: { from: Pieces; to: Pieces };
  zone: { from: number; to: number };
  began: number;
  given: number;
  taken: number;
  bar: number;
  safe: number;
  in: number;
  out: number;
  inLimit: Limit;
  outLimit: Limit;
  overhead: number;
  tiny: number;
  by: Partial<Record<Cause, number>>;
  stretches: Stretch[];
}

/** How near to a temperature counts as there, K. */
export const NEAR = 1e-9;

/** B/s of a medium at this moment, alone. */
export function rateOf({ store, cache }: Body, direction: 'read' | 'write', zone: number): number {
  return (
    zone * (direction === 'read' ? store.read : cache > 0 ? store.write : Math.min(store.write, store.rest))
  );
}

/** What a medium's own rate counts as. */
export function mediumLimit({ store, cache }: Body, writes: boolean): Limit {
  if (store.role === 'other')
    return writes && cache <= 0 && store.rest < store.write ? 'other rest' : 'other';
  if (!writes || store.cache === Infinity) return 'drive';
  return cache > 0 ? 'cache' : store.rest < store.write || store.cache > 0 ? 'rest' : 'drive';
}
