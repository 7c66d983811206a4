import * as z from 'zod';
import { Id, Name } from '../catalog/parts';
import { BEFALLEN, type Befallen, type BefallenId } from './befallen';
import { RETURN_DAYS } from './limits';
import { Money } from './money';

const reason = z.string().trim().min(1, { error: 'wants a reason' }).max(400);

const BefallenEntry: z.ZodType<Befallen> = z.object({
  on: z.iso.date(),
  what: z.enum(Object.keys(BEFALLEN) as [BefallenId, ...BefallenId[]]),
  note: z.string().trim().max(200).optional(),
});

/** A pass over the whole disk that goes on or is over: a full format, a burn-in. */
export const FormatPass = z.object({
  started: z.iso.datetime(),
  /** How far its display had come, and when; `grain` is half a step of the display, `turned` that it was read as it turned. */
  checkpoints: z
    .array(
      z.object({
        at: z.iso.datetime(),
        share: z.number().positive().max(1),
        grain: z.number().positive().max(0.5).optional(),
        turned: z.literal(true).optional(),
      }),
    )
    .max(100),
  ended: z.iso.datetime().optional(),
});
export type FormatPass = z.infer<typeof FormatPass>;

/** What was done to set a device up: which steps of its checklist, what was read before it was opened and before the case was closed. */
export const Fitting = z.object({
  /** The device it is of, by id. */
  device: Id,
  serial: z.string().max(120).optional(),
  /** The day it was bought, from which the days to return it count, and the day its warranty ends. */
  bought: z.iso.date().optional(),
  /** What was paid for all that this device is made of. */
  paid: Money.optional(),
  returnDays: z.number().int().nonnegative().max(RETURN_DAYS).optional(),
  warrantyUntil: z.iso.date().optional(),
  /** Steps that were done, or left out with a reason, and what they said then: what says something else is to be done anew. */
  steps: z
    .array(
      z.object({
        id: Name,
        at: z.iso.datetime(),
        skipped: reason.optional(),
        said: z.string().max(400).optional(),
      }),
    )
    .max(100),
  /** When the last step was done or left out; absent: some are left. */
  complete: z.iso.datetime().optional(),
  format: FormatPass.optional(),
  /** The contents on their way over: B, since when, whether they are compared afterwards, and when that was over. */
  contents: z
    .object({
      bytes: z.number().min(1).max(1e18),
      started: z.iso.datetime(),
      verify: z.boolean(),
      ended: z.iso.datetime().optional(),
    })
    .optional(),
  /** What befell the unit. */
  befallen: z.array(BefallenEntry).max(200).optional(),
  /** Health as it was read at the beginning, as it was pasted, with what was read out of it. */
  baseline: z
    .object({
      at: z.iso.datetime(),
      text: z.string().max(40_000),
      written: z.number().nonnegative().max(1e18).nullable(),
      /** Share of the rated wear that the drive says is used, where it says so; may pass 1. */
      wear: z.number().nonnegative().max(10).optional(),
    })
    .optional(),
});
export type Fitting = z.infer<typeof Fitting>;
