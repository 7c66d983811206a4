import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import * as z from 'zod';
import { Id } from '../catalog/parts';
import { canonical } from '../text';

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

/** What happened, before it stands in a chain. */
export type Told = Omit<ChainEntry, 'hash'>;

/** SHA-256 of a text in UTF-8, in hex. */
export const sha = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** An entry bound to the one before it. */
export const linked = (told: Told, before: ChainEntry | undefined): ChainEntry => ({
  ...told,
  hash: sha(canonical([before?.hash ?? '', told])),
});

/** A chain with what happened next. */
export function appended(chain: readonly ChainEntry[], told: readonly Told[]): ChainEntry[] {
  const made = [...chain];
  for (const one of told) made.push(linked(one, made.at(-1)));
  return made;
}
