import * as z from 'zod';

/** Where a given figure comes from. `note` says which sheet, run, standard or reason. */
export const Source = z.object({
  kind: z.enum(['entered', 'sheet', 'device', 'measured', 'standard', 'practice', 'memory', 'unknown']),
  note: z.string().max(400).optional(),
});
export type Source = z.infer<typeof Source>;
