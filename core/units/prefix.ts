/**
 * Prefixes of decimal and binary multiples.
 * Source: standard IEC 80000-13 (binary), ISO 80000-1 (decimal).
 */
export const DECIMAL = { '': 1, k: 1e3, M: 1e6, G: 1e9, T: 1e12, P: 1e15 } as const;
export const BINARY = { Ki: 2 ** 10, Mi: 2 ** 20, Gi: 2 ** 30, Ti: 2 ** 40, Pi: 2 ** 50 } as const;

/** Factor of a prefix as written, case kept where it matters; undefined where it is none. */
export function prefixFactor(prefix: string): number | undefined {
  if (prefix === '') return 1;
  const head = prefix[0]!.toUpperCase();
  if (prefix.length === 2 && prefix[1]!.toLowerCase() === 'i')
    return BINARY[`${head}i` as keyof typeof BINARY];
  if (prefix.length > 1) return undefined;
  return head === 'K' ? DECIMAL.k : DECIMAL[head as keyof typeof DECIMAL];
}
