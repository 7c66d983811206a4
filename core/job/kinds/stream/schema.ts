import * as z from 'zod';
import { Fact, Rate } from '../../../evidence';
import { asks } from '../../../units';
import { askedWay, common } from '../common';

/** A rate that must not stall. */
export const Stream = z.object({
  ...common,
  kind: z.literal('stream'),
  direction: askedWay,
  rate: asks('Rate of each', Rate, 'rate'),
  streams: asks('Streams at once', z.number().int().min(1).max(1000), 'count'),
  lasts: asks('Lasts without a break', Fact, { dimension: 'time', bare: 'min' }),
  /** The player's or recorder's own. */
  buffer: asks('Recorder’s buffer lasts', Fact, 'time'),
});
export type Stream = z.infer<typeof Stream>;
