import * as z from 'zod';

/** A copy of the data in the plan. An array is one copy, however many drives it has. */
export const Copy = z.object({
  name: z.string().trim().min(1).max(120),
  medium: z.enum(['flash', 'disk', 'array', 'tape', 'optical', 'network', 'cloud']),
  offSite: z.boolean(),
});
export type Copy = z.infer<typeof Copy>;
