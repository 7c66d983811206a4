const sorted = (_key: string, part: unknown): unknown => {
  if (typeof part !== 'object' || part === null || Array.isArray(part)) return part;
  const entries = Object.entries(part).filter(([, value]) => value !== undefined);
  return Object.fromEntries(entries.sort(([a], [b]) => (a < b ? -1 : 1)));
};

/** JSON with sorted keys and nothing undefined: the same content is always the same text. */
export const canonical = (value: unknown): string => JSON.stringify(value, sorted) ?? '';
