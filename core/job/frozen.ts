import * as z from 'zod';
import { EstimateSchema } from '../evidence';
import { Id } from '../catalog/parts';
import { checkSetup, SETUP } from './setup';
import { SETUP3 } from './version3';

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

const common = {
  id: Id,
  at: z.iso.datetime(),
  /** Which version of the models made it. */
  model: z.string().max(20),
  /** Of a move its time and rate, and when the progress bar is full; of anything else the figure that answers it. */
  results: z.array(Result).max(50),
  /** The shop's own ranges that stood in place of what is assumed, by their ids. */
  ranges: z
    .record(z.string().max(80), z.object({ low: z.number(), expected: z.number(), high: z.number() }))
    .optional(),
  /** SHA-256 in hex over everything above but the id. */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
};

/**
 * A forecast as it stood at one moment: inputs, figures with their working, and a hash over both. Never changed afterwards: one that an
 * older Kymar froze keeps that version's form, byte for byte.
 */
export const FrozenForecast = z.union([
  z.object({ ...common, ...SETUP }).superRefine((frozen, context) => {
    checkSetup(frozen, (path, message) => context.addIssue({ code: 'custom', path, message }));
  }),
  z.object({ ...common, ...SETUP3 }),
]);
export type FrozenForecast = z.infer<typeof FrozenForecast>;
