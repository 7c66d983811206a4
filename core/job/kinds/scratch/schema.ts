import * as z from 'zod';
import { Fact } from '../../../evidence';
import { common } from '../common';

/** Small operations at random places all day. */
export const Scratch = z.object({
  ...common,
  kind: z.literal('scratch'),
  /** Operations a day. */
  operations: Fact,
  /** Share that reads, 0 to 1. */
  reads: z.number().min(0).max(1),
  block: z.number().min(1).max(1e12),
  depth: z.number().int().min(1).max(1024),
  /** B they are spread over. */
  span: Fact,
  /** Each write waits until it is safe. */
  synchronous: z.boolean(),
});
export type Scratch = z.infer<typeof Scratch>;
