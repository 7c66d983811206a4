import * as z from 'zod';
import { Fact } from '../../../evidence';
import { asks } from '../../../units';
import { common } from '../common';

/** A load, open, build or render, where the processor shares the time. */
export const Load = z.object({
  ...common,
  kind: z.literal('open'),
  /** That host and program take by themselves. */
  processing: asks('Processing time', Fact, 'time'),
  bytes: asks('Loads', Fact, 'bytes'),
  /** Requests that wait one after another. */
  dependentReads: asks('Dependent reads', Fact, 'count'),
  /** A build, a render, an export; most loads write nothing that counts. */
  written: asks('Writes', Fact.optional(), {
    dimension: 'bytes',
    absent: { value: 0, source: { kind: 'practice' } },
  }),
});
export type Load = z.infer<typeof Load>;
