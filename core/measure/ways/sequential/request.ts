import * as z from 'zod';
import { asks } from '../../../units';
import { amount, everyRequest, RunDirection, ended, folder, samples, size, throughMemory } from '../common';

const BLOCKS = [
  [131072, '128 KiB'],
  [1048576, '1 MiB'],
  [4194304, '4 MiB'],
] as const;

/** A file written front to back, and read back. */
export const SequentialRequest = z.object({
  kind: z.literal('sequential'),
  target: folder,
  /** Write a file, or write it and read it back. */
  mode: z.enum(['write', 'write-read']),
  bytes: asks('Size', size(1 << 20, '1 MiB'), { dimension: 'bytes', first: 2e9 }),
  block: asks('Request size', z.union([z.literal(131072), z.literal(1048576), z.literal(4194304)]), {
    choices: BLOCKS,
    first: 1048576,
  }),
  ...everyRequest,
});
export type SequentialRequest = z.infer<typeof SequentialRequest>;

/** One direction of it. */
const RealResult = z.object({
  direction: RunDirection,
  bytes: amount,
  seconds: amount,
  samples,
  through: throughMemory,
});
export type RealResult = z.infer<typeof RealResult>;

export const SequentialEnd = z.object({ type: z.literal('done'), results: z.array(RealResult), ...ended });
export type SequentialEnd = z.infer<typeof SequentialEnd>;
