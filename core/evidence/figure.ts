import * as z from 'zod';
import { FASTEST, SLOWEST } from './bounds';
import { Source } from './source';

/** Beyond this, in whatever unit, a unit was mistaken: a million TB, thirty billion years. */
const MOST = 1e18;
/** Below this, but for zero, too. */
const LEAST = 1e-9;

const figure = z
  .number()
  .nonnegative({ error: 'must be zero or more' })
  .max(MOST, { error: 'is beyond anything there is: check the unit' })
  .refine((v) => v === 0 || v >= LEAST, { error: 'is too small to be meant: check the unit' });
const speed = z
  .number()
  .min(SLOWEST, { error: 'moves nothing: a rate is at least 1 kB/s; leave it open where it is not known' })
  .max(FASTEST, { error: 'is faster than anything there is: check the unit' });

const share = z
  .number()
  .min(0.01, { error: 'lets nothing through: a share is at least 1 %; leave it open where it is not known' })
  .max(1, { error: 'is more than all: a share is at most 100 %' });

const room = figure.refine((v) => v >= 1e6, {
  error: 'holds nothing: a capacity is at least 1 MB; leave it open where it is not known',
});

const valueOf = (point: z.ZodNumber) =>
  z
    .union([point, z.tuple([point, point, point])])
    .nullable()
    .refine((v) => !Array.isArray(v) || (v[0] <= v[1] && v[1] <= v[2]), {
      error: 'the three points must rise: low, expected, high',
    });

/** What a figure was taken at: it holds for that and not beyond. */
const Conditions = z.object({
  /** Size of a request in B, and requests under way at once. */
  block: z.number().min(1).max(1e12).optional(),
  depth: z.number().int().positive().max(1e6).optional(),
  /** Share of the drive in use, 0 to 1. */
  fill: z.number().min(0).max(1).optional(),
});

const factOf = (point: z.ZodNumber) => {
  const value = valueOf(point);
  return z.object({
    value,
    source: Source,
    at: Conditions.optional(),
    /** What other sources say, kept side by side. */
    others: z
      .array(z.object({ value, source: Source, at: Conditions.optional() }))
      .max(12)
      .optional(),
    /** Why this one was chosen among them. */
    why: z.string().max(200).optional(),
  });
};

/**
 * A property of a part or a host with its source: one number, three points [low, expected, high], or null for "not known",
 * which a model widens to the range of what is on the market. Other sources' values stand beside the chosen one.
 */
export const Fact = factOf(figure);
/** A {@link Fact} in B/s, which is none at zero. */
export const Rate = factOf(speed);
/** A {@link Fact} in B that something holds. */
export const Capacity = factOf(room);
/** A {@link Fact} that says how much of something is left of it, over 0 to 1. */
export const Share = factOf(share);
export type Fact = z.infer<typeof Fact>;
