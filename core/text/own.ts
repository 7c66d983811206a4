/**
 * What a table says of a word that came from outside; undefined where it says nothing. Plain indexing would find `constructor`
 * and `toString` in every table.
 */
export const own = <T>(table: Readonly<Record<string, T>>, word: string): T | undefined =>
  Object.hasOwn(table, word) ? table[word] : undefined;
