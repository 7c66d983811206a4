import * as z from 'zod';
import { Fact, Rate } from '../../../evidence';
import { common, direction } from '../common';

/** A rate that must not stall. */
export const Stream = z.object({
  ...common,
  kind: z.literal('stream'),
  direction,
  /** B/s of each. */
  rate: Rate,
  /** How many at once. */
  streams: z.number().int().min(1).max(1000),
  /** s without a break. */
  lasts: Fact,
  /** s that the player's or recorder's own buffer bridges. */
  buffer: Fact,
});
export type Stream = z.infer<typeof Stream>;
