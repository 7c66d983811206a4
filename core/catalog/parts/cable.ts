import * as z from 'zod';
import { Connector, Id, Modes, Name, Watts } from './modes';

/** A cable. Its ends may be swapped freely. */
export const Cable = z.object({
  id: Id,
  name: Name,
  ends: z.tuple([Connector, Connector]),
  modes: Modes,
  /** Length in m. */
  length: z.number().min(0.001).max(1000),
  /** W it may carry. */
  power: Watts.optional(),
  /** Has chips of its own in the plugs. */
  active: z.boolean().optional(),
});
export type Cable = z.infer<typeof Cable>;
