import * as z from 'zod';
import { Latency } from '../../../job';
import { asks } from '../../../units';
import { amount, ended, throughMemory } from '../common';
import { RandomRequest } from '../random/request';

/** Small requests in rounds until one round is as the other. */
export const SteadyRequest = RandomRequest.extend({
  kind: z.literal('steady'),
  seconds: asks('Each round', z.number().min(1).max(600), { dimension: 'time', bare: 's', first: 30 }),
  rounds: asks('Rounds at most', z.number().int().min(5).max(60), { dimension: 'count', first: 25 }),
});
export type SteadyRequest = z.infer<typeof SteadyRequest>;

export const SteadyEnd = z.object({
  type: z.literal('settled'),
  through: throughMemory,
  /** Requests a second of each round, and s of one. */
  rounds: z.array(amount),
  seconds: amount,
  /** Of the rounds of the last window. */
  latency: Latency,
  ...ended,
});
export type SteadyEnd = z.infer<typeof SteadyEnd>;
