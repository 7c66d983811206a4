import * as z from 'zod';
import { Build } from '../build/assembly';
import { EstimateSchema } from '../evidence';
import { Host, Id } from '../catalog/parts';
import { Activity } from './activity';
import { Needs } from './needs';

const Result = z
  .object({
    activity: Id,
    time: EstimateSchema.optional(),
    rate: EstimateSchema.optional(),
    figure: EstimateSchema.optional(),
    probability: z.number().min(0).max(1).nullable(),
    bar: EstimateSchema.optional(),
  })
  .refine((r) => r.time !== undefined || r.figure !== undefined, {
    error: 'holds no figure: neither a time nor another answer',
  });

/** A forecast as it stood at one moment: inputs, figures with their working, and a hash over both. Never changed afterwards. */
export const FrozenForecast = z.object({
  id: Id,
  at: z.iso.datetime(),
  /** Which version of the models made it. */
  model: z.string().max(20),
  host: Host,
  build: Build,
  activities: z.array(Activity),
  /** Of a move its time and rate, and when the progress bar is full; of anything else the figure that answers it. */
  results: z.array(Result).max(50),
  /** What the drive must put up with, as it then stood. */
  needs: Needs.optional(),
  /** The shop's own ranges that stood in place of what is assumed, by their ids. */
  ranges: z
    .record(z.string().max(80), z.object({ low: z.number(), expected: z.number(), high: z.number() }))
    .optional(),
  /** SHA-256 in hex over everything above but the id. */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
});
export type FrozenForecast = z.infer<typeof FrozenForecast>;
