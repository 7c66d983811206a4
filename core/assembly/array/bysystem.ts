import type { ArrayMode, System } from '../../catalog/parts';

type Family = System['family'];

/** Levels that systems make of drives they see one by one, without anything bought [from memory]. */
const MADE_BY: Record<Family, readonly ArrayMode[]> = {
  Windows: ['stripe', 'mirror', 'concatenation', 'parity'],
  macOS: ['stripe', 'mirror', 'concatenation'],
  Linux: ['stripe', 'mirror', 'concatenation', 'parity', 'double parity', 'stripe of mirrors'],
  BSD: ['stripe', 'mirror', 'concatenation', 'parity', 'double parity', 'stripe of mirrors'],
  own: [],
};
/** Where nobody says which system it is: what all but a host's own make, and what most do. */
const USUAL: readonly ArrayMode[] = ['stripe', 'mirror', 'concatenation', 'stripe of mirrors'];

/**
 * Levels that a system can make where all of these must work with it: no other system reads an array that one has made.
 * @param families the systems; none: nobody said
 */
export function levelsBySystem(families: readonly Family[]): readonly ArrayMode[] {
  const [first, ...others] = [...new Set(families)];
  if (first === undefined) return USUAL;
  return others.length > 0 ? [] : MADE_BY[first];
}
