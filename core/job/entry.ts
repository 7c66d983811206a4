import * as z from 'zod';
import { Id } from '../catalog/parts';

const Hash = z.string().regex(/^[0-9a-f]{64}$/, { error: 'is no SHA-256 in hex' });

export const ChainEntry = z.object({
  what: z.enum(['run', 'forecast', 'decision']),
  id: Id,
  /** `found`: it was there before the chain began; `carried over`: the same, as a newer version of the file writes it. */
  did: z.enum(['added', 'changed', 'removed', 'found', 'carried over']),
  at: z.iso.datetime(),
  /** SHA-256 of the content; null once removed. */
  content: Hash.nullable(),
  /** SHA-256 over all of this and the entry before. */
  hash: Hash,
});
export type ChainEntry = z.infer<typeof ChainEntry>;
