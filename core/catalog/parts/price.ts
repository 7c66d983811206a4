import * as z from 'zod';
import { Id, Name } from './modes';

/** A currency by its letters [ISO 4217]. */
export const Currency = z.string().regex(/^[A-Z]{3}$/, { error: 'is no currency such as EUR' });

/** What a part cost at one place on one day: an observation, never a property of the part. */
export const Price = z.object({
  id: Id,
  /** What it was called there. */
  name: Name,
  /** The part of the library, by kind and id, e.g. `drives/heron-1t`. */
  of: z
    .string()
    .regex(/^(drives|bridges|hubs|cables|accessories)\/.{1,80}$/, {
      error: 'names no part such as drives/heron-1t',
    }),
  on: z.iso.date(),
  /** For all of `per` together; 0 for what lies on the shelf. */
  amount: z.number().min(0).max(1e7),
  currency: Currency,
  /** How many that was for; absent: one. */
  per: z.number().int().min(1).max(10_000).optional(),
  seller: Name.optional(),
  sells: z.enum(['dealer', 'maker', 'market place', 'used', 'own shelf']).optional(),
  /** Days in which it can go back. */
  returnDays: z.number().int().min(0).max(3650).optional(),
});
export type Price = z.infer<typeof Price>;
