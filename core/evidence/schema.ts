import * as z from 'zod';
import type { Estimate } from './estimate';
import { Source } from './source';

const Unit = z.enum(['B', 'B/s', 'bit/s', 's', 'ratio', '%', 'count', 'lanes', 'B/day', 'years', 'per day', 'IOPS']);

/** An estimate as a file keeps it, its whole working with it. */
export const EstimateSchema: z.ZodType<Estimate> = z.object({
  low: z.number(),
  expected: z.number(),
  high: z.number(),
  ceiling: z.number().optional(),
  unit: Unit,
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
}).meta({ id: 'Estimate' });
