import * as z from 'zod';

/** Where a given figure comes from. `note` says which sheet, run, standard or reason. */
export const Source = z.object({
  kind: z.enum(['entered', 'sheet', 'device', 'measured', 'standard', 'practice', 'memory', 'unknown']),
  note: z.string().max(400).optional(),
});
export type Source = z.infer<typeof Source>;

const WORDS: Record<Source['kind'], string> = {
  entered: 'entered',
  sheet: 'stated',
  device: 'read from the device',
  measured: 'measured',
  standard: 'published standard',
  practice: 'common practice, no source',
  memory: 'from memory, not looked up',
  unknown: 'not known: the range of what is on the market',
};

export function sourceWords(source: Source): string {
  return source.note ? `${WORDS[source.kind]}: ${source.note}` : WORDS[source.kind];
}
