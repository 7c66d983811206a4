import * as z from 'zod';
import { askedFor, asks } from '../../units';
import { Id, Name } from './modes';

/** A currency by its letters [ISO 4217]. */
export const Currency = z.string().regex(/^[A-Z]{3}$/, { error: 'is no currency such as EUR' });

/** What a part cost at one place on one day: an observation, never a property of the part. */
export const Price = askedFor({
  id: asks('Id', Id),
  /** What it was called there. */
  name: asks('Name', Name),
  /** The part of the library, by kind and id, e.g. `drives/heron-1t`. */
  of: asks(
    'Of the part, by kind and id',
    z
      .string()
      .regex(/^(drives|bridges|hubs|cables|accessories)\/.{1,80}$/, {
        error: 'names no part such as drives/heron-1t',
      }),
  ),
  on: asks('On', z.iso.date(), { of: 'date' }),
  /** For all of `per` together; 0 for what lies on the shelf. */
  amount: asks('Price', z.number().min(0).max(1e7), { of: null }),
  currency: asks('Currency', Currency),
  /** How many that was for; absent: one. */
  per: asks('For how many', z.number().int().min(1).max(10_000).optional(), { of: null }),
  seller: asks('Seller', Name.optional()),
  sells: asks('Sold by', z.enum(['dealer', 'maker', 'market place', 'used', 'own shelf']).optional()),
  /** Days until it is here; 0: it can be taken along. */
  delivery: asks('Delivered within', z.number().int().min(0).max(730).optional(), { of: 'days' }),
  /** Days in which it can go back. */
  returnDays: asks('Can go back within', z.number().int().min(0).max(3650).optional(), { of: 'days' }),
});
export type Price = z.infer<typeof Price>;
