import * as z from 'zod';
import { Probed } from '../../../job';
import { asks } from '../../../units';
import { amount, everyRequest, ended, folder, samples, size, throughMemory } from '../common';

/** A drive written to until its cache, what it sustains and how it recovers are known, or the budget ends. */
export const ProbeRequest = z.object({
  kind: z.literal('probe'),
  target: folder,
  bytes: asks('Writes at most', size(1 << 30, '1 GiB'), { dimension: 'bytes', first: 2e9 }),
  seconds: asks('Takes at most', z.number().min(10, { error: 'must be at least 10 s' }).max(86_400), {
    dimension: 'time',
    first: 1200,
  }),
  ...everyRequest,
});
export type ProbeRequest = z.infer<typeof ProbeRequest>;

export const ProbeTold = z.object({
  type: z.literal('probed'),
  through: throughMemory,
  found: Probed,
  written: amount,
  seconds: amount,
  ended: z.enum(['known', 'bytes', 'seconds', 'warmth']),
  samples,
  ...ended,
});
export type ProbeTold = z.infer<typeof ProbeTold>;
