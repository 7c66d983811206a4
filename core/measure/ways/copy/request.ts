import * as z from 'zod';
import { amount, everyRequest, ended, folder, samples } from '../common';

/** A folder copied file by file, read back and compared. */
export const CopyRequest = z.object({
  kind: z.literal('copy'),
  /** A folder that is read, and one that is written. */
  source: folder,
  target: folder,
  ...everyRequest,
});
export type CopyRequest = z.infer<typeof CopyRequest>;

export const CopyEnd = z.object({
  type: z.literal('copied'),
  from: z.string(),
  bytes: amount,
  files: amount,
  /** s until all was handed over, until all was written, and that reading back took. */
  bar: amount,
  seconds: amount,
  verifying: amount,
  /** Lines of `hash  path`. */
  manifest: z.array(z.string()),
  samples,
  ...ended,
});
export type CopyEnd = z.infer<typeof CopyEnd>;
