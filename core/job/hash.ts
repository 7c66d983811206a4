import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonical } from '../text';
import type { ChainEntry } from './entry';

/** What happened, before it stands in a chain. */
export type ToldEntry = Omit<ChainEntry, 'hash'>;

/** SHA-256 of a text in UTF-8, in hex. */
export const sha = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** An entry bound to the one before it. */
export const linked = (told: ToldEntry, before: ChainEntry | undefined): ChainEntry => ({
  ...told,
  hash: sha(canonical([before?.hash ?? '', told])),
});

/** A chain with what happened next. */
export function appended(chain: readonly ChainEntry[], told: readonly ToldEntry[]): ChainEntry[] {
  const made = [...chain];
  for (const one of told) made.push(linked(one, made.at(-1)));
  return made;
}
