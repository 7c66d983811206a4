import * as z from 'zod';
import { Fact } from '../evidence';
import { Id } from '../catalog/parts';
import { ChoiceRecord } from './choice';
import { ChainEntry } from './entry';
import { Fitting } from './fitting';
import { FrozenForecast } from './frozen';
import { Budget, Money } from './money';
import { By, Run } from './run';
import { checkSetup, SETUP, twice } from './setup';
import { VERSION } from './limits';
import { MOST_OF } from './limits';

export const Decision = z.object({
  kind: z.enum(['accept', 'change', 'retest', 'return']),
  words: z.string().max(2000),
  at: z.iso.datetime(),
  by: By,
});
export type Decision = z.infer<typeof Decision>;

const Fields = z.object({
  kymarVersion: z.literal(VERSION),
  id: Id,
  /** Counts every saved change: a copy with a higher one is newer. */
  revision: z.number().int().nonnegative(),
  title: z.string().trim().min(1, { error: 'a job needs a title' }).max(160),
  customer: z.string().max(160),
  /** How to reach the customer. */
  contact: z.string().max(200).optional(),
  created: z.iso.datetime(),
  changed: z.iso.datetime(),
  due: z.iso.date().nullable(),
  note: z.string().max(4000),
  ...SETUP,
  /** How many years the customer wants to use it. */
  serviceYears: Fact,
  /** What it may cost. */
  budget: Budget.optional(),
  forecasts: z.array(FrozenForecast).max(MOST_OF.forecasts),
  runs: z.array(Run).max(MOST_OF.runs),
  decision: Decision.nullable(),
  /** What was chosen, the newest last, with what else there was. */
  choices: z.array(ChoiceRecord).max(MOST_OF.choices).optional(),
  /** What the customer has already, by kind and id of the library: costs nothing. */
  owned: z.array(z.string().max(100)).max(200).optional(),
  /**
   * Used drives, of the library by their id: health pages as they were pasted, what is asked for it where it is on offer (absent: it is there already
   * and costs nothing), and the day its warranty ends.
   */
  used: z
    .array(
      z.object({
        drive: Id,
        at: z.iso.datetime(),
        text: z.string().max(40_000),
        asked: Money.optional(),
        warrantyUntil: z.iso.date().optional(),
      }),
    )
    .max(50)
    .optional(),
  /** How far each device is set up. */
  fittings: z.array(Fitting).max(40).optional(),
  /** What was looked at to find a cause, and what was seen. */
  looks: z
    .array(
      z.object({
        look: z.string().min(1).max(80),
        seen: z.string().min(1).max(MOST_OF.looks),
        at: z.iso.datetime(),
        by: By,
        /** When it was put in the place of what was assumed: the forecast goes by it since. */
        entered: z.iso.datetime().optional(),
      }),
    )
    .max(200)
    .optional(),
  /** Causes that were found and put right, the newest last: what was measured before counts no longer. */
  found: z
    .array(
      z.object({
        cause: z.string().min(1).max(160),
        title: z.string().min(1).max(400),
        fix: z.string().min(1).max(800),
        /** How probable it was by then. */
        probability: z.number().min(0).max(1),
        at: z.iso.datetime(),
        by: By,
      }),
    )
    .max(MOST_OF.found)
    .optional(),
  /** Tests that were taken up to find a cause, by id, and for which activity. */
  tests: z
    .array(z.object({ look: z.string().min(1).max(80), activity: Id.nullable(), at: z.iso.datetime() }))
    .max(MOST_OF.tests)
    .optional(),
  /** What happened to runs, forecasts and decisions, each entry sealed to the one before. */
  chain: z.array(ChainEntry).max(50_000).optional(),
  /** Put away: kept, and out of the list of open jobs. */
  archived: z.iso.datetime().optional(),
});

/** A job: the spine of everything. One file holds it whole. */
export const Job = Fields.superRefine((job, context) => {
  const complain = (path: (string | number)[], message: string) =>
    context.addIssue({ code: 'custom', path, message });
  checkSetup(job, complain);
  twice(job.runs, ['runs'], complain);
  twice(job.forecasts, ['forecasts'], complain);
  const isOf = (list: readonly { id: string }[], id: string) => list.some((item) => item.id === id);
  job.runs.forEach(({ path }, i) => {
    if (path && 'machine' in path && !(isOf(job.machines, path.machine) && isOf(job.devices, path.device)))
      complain(['runs', i, 'path'], `"${path.device}" on "${path.machine}" is no place of this job`);
  });
});
export type Job = z.infer<typeof Job>;

/** JSON Schema of the job file, published under docs/. Relations between fields (ports named, ids unique) are checked beyond it. */
export function jobJsonSchema(): object {
  return {
    $id: 'kymar-job-v4',
    title: 'Kymar job file, version 4',
    ...z.toJSONSchema(Fields, { io: 'input', target: 'draft-2020-12', reused: 'ref' }),
  };
}
