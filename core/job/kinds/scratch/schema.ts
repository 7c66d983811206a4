import * as z from 'zod';
import { Fact } from '../../../evidence';
import { asks, format } from '../../../units';
import { common } from '../common';

/** Small operations at random places all day. */
export const Scratch = z.object({
  ...common,
  kind: z.literal('scratch'),
  operations: asks('Operations a day', Fact, 'count'),
  /** B they are spread over. */
  span: asks('Spread over', Fact, 'bytes'),
  /** B. */
  block: asks('Size of each', z.number().min(1).max(1e12), { dimension: 'bytes', bare: 'KiB' }),
  /** 0 to 1. */
  reads: asks('Share that reads', z.number().min(0).max(1), {
    dimension: 'percent',
    choices: [0, 0.1, 0.3, 0.5, 0.7, 0.9, 1].map((share) => [share, format(share, '%')]),
  }),
  depth: asks('Depth', z.number().int().min(1).max(1024), {
    choices: [1, 2, 4, 8, 16, 32, 64].map((depth) => [depth, String(depth)]),
  }),
  synchronous: asks('A write waits until safe', z.boolean()),
});
export type Scratch = z.infer<typeof Scratch>;
