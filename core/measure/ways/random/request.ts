import * as z from 'zod';
import { Latency } from '../../../job';
import { asks } from '../../../units';
import { amount, everyRequest, ended, folder, size, throughMemory } from '../common';

const BLOCKS = [
  [4096, '4 KiB'],
  [16384, '16 KiB'],
  [65536, '64 KiB'],
  [131072, '128 KiB'],
] as const;
const MIXES = [
  [1, 'all reads'],
  [0.7, '70 % reads, 30 % writes'],
  [0, 'all writes'],
] as const;

/** Small requests anywhere within a file, so many under way, for a time. */
export const RandomRequest = z.object({
  kind: z.literal('random'),
  target: folder,
  /** Of the file they fall in. */
  bytes: asks('Size', size(1 << 26, '64 MiB'), { dimension: 'bytes', first: 2e9 }),
  block: asks(
    'Block size',
    z.union([z.literal(4096), z.literal(16384), z.literal(65536), z.literal(131072)]),
    { choices: BLOCKS, first: 4096 },
  ),
  /** Requests under way at a time. */
  depth: asks('Queue depth', z.number().int().min(1).max(32), {
    choices: [1, 2, 4, 8, 16, 32].map((depth) => [depth, String(depth)]),
    first: 1,
  }),
  /** Share of them that read, 0 to 1. */
  reads: asks('Mix', z.number().min(0).max(1), { choices: MIXES, first: 1 }),
  seconds: asks('For', z.number().min(1).max(3600), { dimension: 'time', bare: 's', first: 20 }),
  ...everyRequest,
});
export type RandomRequest = z.infer<typeof RandomRequest>;

export const RandomEnd = z.object({
  type: z.literal('scattered'),
  through: throughMemory,
  reads: amount,
  writes: amount,
  seconds: amount,
  latency: Latency,
  ...ended,
});
export type RandomEnd = z.infer<typeof RandomEnd>;
