import * as z from 'zod';
import { Fact } from '../../evidence';
import { asks } from '../../units';
import { Id, Name } from '../../catalog/parts';

/** What every kind of activity has. */
export const common = {
  id: Id,
  name: Name,
  /** How often a day it happens; 0: once, and not again. */
  perDay: Fact,
  /** Longest the customer will wait, in s (of scratch work: waiting a day); null for no target. */
  target: z.number().min(1e-3, { error: 'must be more than zero' }).max(1e10).nullable(),
  /** What it takes today, with what the customer has, s; absent: nobody said. */
  today: z.number().min(1e-3).max(1e10).optional(),
  /** Which of the job's machines and devices it happens on; absent: the first. */
  machine: Id.optional(),
  device: Id.optional(),
  /** What stands at the other end, by the machine's endpoint; absent: its built-in drive. */
  endpoint: Id.optional(),
  /** Goes on while these others do, by id. */
  besides: z.array(Id).max(10).optional(),
};
/** `write` fills the drive of the job, `read` takes from it. */
export const direction = z.enum(['read', 'write']);
/** Which way the data goes, as it is asked. */
export const askedWay = asks('Data goes', direction, {
  choices: [
    ['write', 'to the drive'],
    ['read', 'from the drive'],
  ],
});
