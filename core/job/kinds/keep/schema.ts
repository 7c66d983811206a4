import * as z from 'zod';
import { Fact } from '../../../evidence';
import { asks } from '../../../units';
import { common } from '../common';

/** Data that stays and grows. */
export const Keep = z.object({
  ...common,
  kind: z.literal('keep'),
  now: asks('Kept today', Fact, 'bytes'),
  /** B a day. */
  growth: asks('Grows by', Fact, { dimension: 'perDay', bare: 'GB/day' }),
});
export type Keep = z.infer<typeof Keep>;
