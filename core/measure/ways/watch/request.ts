import * as z from 'zod';
import { amount, Purpose, samples, Watchable } from '../common';

/** Whatever program works on a device, watched from its first bytes to its last. */
export const WatchRequest = z.object({
  kind: z.literal('watch'),
  /** One of what the server can watch, by its id. */
  device: z.string().min(1).max(80),
  /** s without any bytes that end it. */
  still: z.number().min(1).max(120),
  purpose: Purpose.optional(),
});
export type WatchRequest = z.infer<typeof WatchRequest>;

/** What was counted of a piece of work that was watched. */
const PIECE = {
  seconds: amount,
  bar: amount.nullable(),
  read: amount,
  written: amount,
  reads: amount,
  writes: amount,
  busy: amount.nullable(),
  samples: z.object({ read: samples, write: samples }),
};

/** A watch as it stands; `t` 0 while nothing began. */
export const WatchGoing = z.object({
  type: z.literal('watching'),
  state: z.enum(['waiting', 'moving', 'flushing', 'over']),
  t: amount,
  read: amount,
  written: amount,
  /** B that memory still holds; null: not known. */
  pending: amount.nullable(),
});

export const WatchEnd = z.object({
  type: z.literal('watched'),
  device: Watchable,
  /** When its first bytes came, ISO. */
  at: z.iso.datetime(),
  ...PIECE,
  /** One sigma of the time, s: readings are so far apart, and whoever said that it is over has a thumb. */
  error: amount,
  /** B/s that others moved before and after it; null: no more than a system's hum. */
  others: amount.nullable().optional(),
  /** All that moved, where next to nothing did for long before or after: a person says whether that belongs to it. */
  whole: z.object(PIECE).nullable().optional(),
});
export type WatchEnd = z.infer<typeof WatchEnd>;
