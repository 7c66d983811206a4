import * as z from 'zod';
import { Fact } from '../../../evidence';
import { common } from '../common';

/** Data that stays and grows. */
export const Keep = z.object({
  ...common,
  kind: z.literal('keep'),
  /** B today. */
  now: Fact,
  /** B added a day. */
  growth: Fact,
});
export type Keep = z.infer<typeof Keep>;
