import * as z from 'zod';
import { Fact } from '../../../evidence';
import { Id } from '../../../catalog/parts';
import { asks } from '../../../units';
import { common, direction } from '../common';

/** A finite transfer the customer makes again and again. */
export const Move = z.object({
  ...common,
  kind: z.literal('move'),
  direction,
  bytes: asks('Size in one go', Fact, 'bytes'),
  /** How many files that is; null widens the time. */
  files: asks('Files', Fact, 'count'),
  /** Their sizes, where known: how many of about so many B each; as scanned from a folder. The count of `files` goes before. */
  sizes: z
    .array(
      z.object({ bytes: z.number().nonnegative().max(1e18), count: z.number().int().positive().max(1e12) }),
    )
    .max(64)
    .optional(),
  /** Several at the other end, one after another: so much of the bytes on each, by endpoint (absent: the built-in drive). */
  shares: z
    .array(z.object({ endpoint: Id.optional(), bytes: Fact }))
    .min(2)
    .max(8)
    .optional(),
  /** What it brings: each time beside what was brought before, or in its place; absent: not said. Of one time only it does not count. */
  adds: z.boolean().optional(),
  /** All is read back afterwards. */
  verify: z.boolean().optional(),
  /** From the drive to the drive itself. */
  itself: z.boolean().optional(),
});
export type Move = z.infer<typeof Move>;
