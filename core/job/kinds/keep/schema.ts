import * as z from 'zod';
import { Fact } from '../../../evidence';
import { asks } from '../../../units';
import { common } from '../common';

/** Data that stays and grows. */
export const Keep = z.object({
  ...common,
  kind: z.literal('keep'),
  now: asks('Kept today', Fact, 'bytes'),
  growth: asks('Added a day', Fact, 'bytes'),
});
export type Keep = z.infer<typeof Keep>;
