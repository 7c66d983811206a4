import * as z from 'zod';
import { Fact } from '../../../evidence';
import { common } from '../common';

/** A load, open, build or render, where the processor shares the time. */
export const Load = z.object({
  ...common,
  kind: z.literal('open'),
  /** s that host and program take by themselves. */
  processing: Fact,
  bytes: Fact,
  /** Requests that wait one after another. */
  dependentReads: Fact,
  /** B it writes: a build, a render, an export; absent: none. */
  written: Fact.optional(),
});
export type Load = z.infer<typeof Load>;
