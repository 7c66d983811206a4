import type { Flag, NameReading } from './reading';

export type ReadName = Omit<NameReading, 'text' | 'at'> & { flags?: Flag[] };

/** One kind of name: how it is written and what it means. */
export interface Pattern {
  pattern: RegExp;
  read(groups: (string | undefined)[], all: string): ReadName | null;
}
