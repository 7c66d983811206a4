import * as z from 'zod';
import { Fact } from '../evidence';
import { Id, Name } from '../parts';

/** A finite transfer the customer makes again and again. */
export const Activity = z.object({
  id: Id,
  kind: z.literal('move'),
  name: Name,
  /** `write` fills the drive of the job, `read` takes from it. */
  direction: z.enum(['read', 'write']),
  /** B in one go. */
  bytes: Fact,
  /** How many files that is; null widens the time. */
  files: Fact,
  /** How often a day it happens. */
  perDay: Fact,
  /** Longest the customer will wait, in s; null for no wish. */
  wish: z.number().positive({ error: 'must be more than zero' }).nullable(),
  /** What stands at the other end, by the host's endpoint; absent: its built-in drive. */
  endpoint: Id.optional(),
});
export type Activity = z.infer<typeof Activity>;
