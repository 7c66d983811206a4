/** An id for something new of a kind: `job`, `run`, `activity`. */
export const newId = (kind: string): string => `${kind}-${crypto.randomUUID().slice(0, 12)}`;
