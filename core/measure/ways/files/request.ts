import * as z from 'zod';
import { logNormalSizes } from '../../../job';
import { asks } from '../../../units';
import { amount, everyRequest, RunDirection, ended, folder, samples, throughMemory } from '../common';

/** Many files of scattered sizes written one after another, and read back. */
export const FilesRequest = z.object({
  kind: z.literal('files'),
  target: folder,
  files: asks('Files', z.number().int().min(10, { error: 'must be at least 10' }).max(50_000), {
    dimension: 'count',
    first: 2000,
  }),
  /** B: as many files are smaller as larger; one in six lies beyond `spread` times it on either side. */
  median: asks('Each about', z.number().min(1).max(1e10), { dimension: 'bytes', first: 60_000 }),
  spread: asks('Scatter by a factor of', z.number().min(1).max(100), { of: null, first: 3 }),
  /** Whether they are read back. */
  back: z.boolean(),
  ...everyRequest,
});
export type FilesRequest = z.infer<typeof FilesRequest>;

/** Sizes of the files in B, the same for the same request: log-normal about the median, in no order. */
export function sizesOfFiles({
  files,
  median,
  spread,
}: Pick<FilesRequest, 'files' | 'median' | 'spread'>): number[] {
  const sizes = logNormalSizes(median, spread, files).flatMap(({ bytes, count }) =>
    new Array<number>(count).fill(Math.max(1, bytes)),
  );
  // Steps that share no factor with the count come past every file once.
  const step = STEPS.find((s) => sizes.length % s !== 0)!;
  return sizes.map((_, i) => sizes[(i * step) % sizes.length]!);
}
const STEPS = [7919, 7907, 7901];

/** Files that were written or read one after another. */
export const FilesEnd = z.object({
  type: z.literal('passed'),
  passes: z.array(
    z.object({
      direction: RunDirection,
      bytes: amount,
      files: amount,
      seconds: amount,
      /** s until all was handed over, memory holding some of it; null of reading. */
      bar: amount.nullable(),
      through: throughMemory,
      samples,
    }),
  ),
  ...ended,
});
export type FilesEnd = z.infer<typeof FilesEnd>;
