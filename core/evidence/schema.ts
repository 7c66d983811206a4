import * as z from 'zod';
import { UNITS } from '../units';
import type { Estimate } from './estimate';
import { Source } from './source';

/** An estimate as a file keeps it, its whole working with it. */
export const EstimateSchema: z.ZodType<Estimate> = z
  .object({
    low: z.number(),
    expected: z.number(),
    high: z.number(),
    ceiling: z.number().optional(),
    median: z.number().optional(),
    unit: z.enum(UNITS),
    because: z.object({
      name: z.string(),
      how: z.enum(['given', 'exact', 'sampled']),
      formula: z.string().optional(),
      filled: z.string().optional(),
      shown: z.string().optional(),
      note: z.string().optional(),
      source: Source.optional(),
      get inputs() {
        return z.array(z.lazy(() => EstimateSchema));
      },
    }),
  })
  .refine((e) => e.low <= e.high, { error: 'its low end lies above its high end' })
  .meta({ id: 'Estimate' });
