import * as z from 'zod';
import { Currency, Id, Name } from '../catalog/parts';

const Amount = z.number().min(0).max(1e9).nullable();
const Words = z.string().max(400);
const Reason = z.string().max(1000);

/** A build that was chosen, and what it was chosen out of: what was on offer, on which day, at which prices. */
export const ChoiceRecord = z.object({
  id: Id,
  at: z.iso.datetime(),
  /** The device it is for, by id. */
  device: Id,
  taken: z.object({ words: Words, cost: Amount }),
  /** Why, as the page said it; empty where another than the answers was taken. */
  reason: Reason,
  currency: Currency.nullable(),
  /** The answers that stood there beside, each with what sets it apart from what was taken. */
  beside: z.array(z.object({ kind: Name, words: Words, cost: Words, why: Reason.optional() })).max(8),
  /** How many worked, how many met every target, and why the others fell out. */
  works: z.number().int().nonnegative(),
  meets: z.number().int().nonnegative(),
  fallen: z.array(z.object({ words: Words, count: z.number().int().positive() })).max(60),
  /** What its parts cost, by the observation that said so. */
  prices: z
    .array(
      z.object({
        of: Name,
        on: z.iso.date(),
        each: z.number().min(0).max(1e7),
        /** How many of it; absent: one. */
        count: z.number().int().positive().max(100).optional(),
        seller: Name.optional(),
      }),
    )
    .max(40),
  /** Below this the same parts are worth telling about. */
  alert: Amount.optional(),
});
export type ChoiceRecord = z.infer<typeof ChoiceRecord>;
