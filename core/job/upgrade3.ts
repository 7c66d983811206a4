import * as z from 'zod';
import { canonical } from '../text';
import { ChainEntry } from './entry';
import { isFields, setupOf3, type Fields } from './from3';
import { appended, sha, type ToldEntry } from './hash';
import { FIRST_PLACE } from './place';
import { Run } from './run';

/** A job file of version 3 as one of version 4. Runs "as built" name the place they were made at; the chain tells of it. */
export function jobFrom3(data: object): object {
  const { host, build, activities, needs, runs, chain, ...rest } = data as Fields;
  const built = isFields(build);
  const told: ToldEntry[] = [];
  const entries = z.array(ChainEntry).safeParse(chain).data;
  const carry = (run: unknown): unknown => {
    if (!isFields(run) || run.path !== 'customer') return run;
    const next = { ...run, path: built ? { ...FIRST_PLACE } : null };
    const read = Run.safeParse(next);
    const last = entries?.findLast((e) => e.what === 'run' && e.id === run.id);
    // Only what is as it was kept is carried over as such: what was changed outside of Kymar stays in doubt.
    if (read.success && last?.content === sha(canonical({ ...read.data, path: 'customer' })))
      told.push({
        what: 'run',
        id: read.data.id,
        did: 'carried over',
        at: String(rest.changed),
        content: sha(canonical(read.data)),
      });
    return next;
  };
  const carried = Array.isArray(runs) ? runs.map(carry) : runs;
  return {
    ...rest,
    kymarVersion: 4,
    ...setupOf3({ host, build, activities, needs }),
    runs: carried,
    ...(chain === undefined ? {} : { chain: entries ? appended(entries, told) : chain }),
  };
}
