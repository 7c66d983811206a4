import * as z from 'zod';

/** A copy of the data in the plan. An array is one copy, however many drives it has. */
export const Copy = z.object({
  name: z.string().trim().min(1).max(120),
  medium: z.enum(['flash', 'disk', 'array', 'tape', 'optical', 'network', 'cloud']),
  offSite: z.boolean(),
  /** Whether it holds the data when it is needed; absent: it does. */
  holds: z.enum(['kept up', 'an older state', 'given away']).optional(),
});
export type Copy = z.infer<typeof Copy>;

/** Whether a copy holds the data when all else is lost: an older state does not, nor does what is given away. */
export const holdsData = ({ holds = 'kept up' }: Pick<Copy, 'holds'>): boolean => holds === 'kept up';
