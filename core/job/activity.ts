import * as z from 'zod';
import { Fact, Rate } from '../evidence';
import { Id, Name } from '../catalog/parts';

const common = {
  id: Id,
  name: Name,
  /** How often a day it happens. */
  perDay: Fact,
  /** Longest the customer will wait, in s (of scratch work: waiting a day); null for no target. */
  target: z.number().min(1e-3, { error: 'must be more than zero' }).max(1e10).nullable(),
  /** Which of the job's machines and devices it happens on; absent: the first. */
  machine: Id.optional(),
  device: Id.optional(),
  /** What stands at the other end, by the machine's endpoint; absent: its built-in drive. */
  endpoint: Id.optional(),
  /** Goes on while these others do, by id. */
  besides: z.array(Id).max(10).optional(),
};
/** `write` fills the drive of the job, `read` takes from it. */
const direction = z.enum(['read', 'write']);

/** A finite transfer the customer makes again and again. */
export const Move = z.object({
  ...common,
  kind: z.literal('move'),
  direction,
  /** B in one go. */
  bytes: Fact,
  /** How many files that is; null widens the time. */
  files: Fact,
  /** Their sizes, where known: how many of about so many B each; as scanned from a folder. The count of `files` goes before. */
  sizes: z
    .array(
      z.object({ bytes: z.number().nonnegative().max(1e18), count: z.number().int().positive().max(1e12) }),
    )
    .max(64)
    .optional(),
  /** Several at the other end, one after another: so much of the bytes on each, by endpoint (absent: the built-in drive). */
  shares: z
    .array(z.object({ endpoint: Id.optional(), bytes: Fact }))
    .min(2)
    .max(8)
    .optional(),
  /** All is read back afterwards. */
  verify: z.boolean().optional(),
  /** From the drive to the drive itself. */
  itself: z.boolean().optional(),
});
export type Move = z.infer<typeof Move>;

/** A rate that must not stall. */
export const Stream = z.object({
  ...common,
  kind: z.literal('stream'),
  direction,
  /** B/s of each. */
  rate: Rate,
  /** How many at once. */
  streams: z.number().int().min(1).max(1000),
  /** s without a break. */
  lasts: Fact,
  /** s that the player's or recorder's own buffer bridges. */
  buffer: Fact,
});
export type Stream = z.infer<typeof Stream>;

/** A load, open, build or render, where the processor shares the time. */
export const Open = z.object({
  ...common,
  kind: z.literal('open'),
  /** s that host and program take by themselves. */
  processing: Fact,
  bytes: Fact,
  /** Requests that wait one after another. */
  dependentReads: Fact,
});
export type Open = z.infer<typeof Open>;

/** Small operations at random places all day. */
export const Scratch = z.object({
  ...common,
  kind: z.literal('scratch'),
  /** Operations a day. */
  operations: Fact,
  /** Share that reads, 0 to 1. */
  reads: z.number().min(0).max(1),
  block: z.number().min(1).max(1e12),
  depth: z.number().int().min(1).max(1024),
  /** B they are spread over. */
  span: Fact,
  /** Each write waits until it is safe. */
  synchronous: z.boolean(),
});
export type Scratch = z.infer<typeof Scratch>;

/** Data that stays and grows. */
export const Keep = z.object({
  ...common,
  kind: z.literal('keep'),
  /** B today. */
  now: Fact,
  /** B added a day. */
  growth: Fact,
});
export type Keep = z.infer<typeof Keep>;

/** What the customer does with the drive. */
export const Activity = z.discriminatedUnion('kind', [Move, Stream, Open, Scratch, Keep]);
export type Activity = z.infer<typeof Activity>;
