import * as z from 'zod';
import type { Unit } from '../units';
import { given, type Estimate } from './estimate';
import { Source } from './source';
import { exactly, spread, type Spread } from '../stats';

/** Beyond this, in whatever unit, a unit was mistaken: a million TB, thirty billion years. */
const MOST = 1e18;
/** Below this, but for zero, too. */
const LEAST = 1e-9;
/** B/s between which anything of this trade moves: models divide by them. */
export const SLOWEST = 1e3;
const FASTEST = 1e12;

const figure = z
  .number()
  .nonnegative({ error: 'must be zero or more' })
  .max(MOST, { error: 'is beyond anything there is: check the unit' })
  .refine((v) => v === 0 || v >= LEAST, { error: 'is too small to be meant: check the unit' });
const speed = z
  .number()
  .min(SLOWEST, { error: 'moves nothing: a rate is at least 1 kB/s; leave it open where it is not known' })
  .max(FASTEST, { error: 'is faster than anything there is: check the unit' });

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
export type Fact = z.infer<typeof Fact>;

/** A fact that holds one exact number, as entered. */
export const exactFact = (value: number): Fact => ({ value, source: { kind: 'entered' } });

/** The fact with another of its sourced values chosen; the one chosen before stands among the others. */
export function choose(fact: Fact, index: number, why: string): Fact {
  const { others = [], why: _before, ...now } = fact;
  const taken = others[index];
  if (!taken) throw new RangeError(`There is no other value number ${index}.`);
  return {
    ...taken,
    others: others.map((other, i) => (i === index ? now : other)),
    ...(why === '' ? {} : { why }),
  };
}

/** The fact with a value typed over it: what a sheet or a measurement said before stands among the others. */
export function typedOver(fact: Fact, value: Fact['value']): Fact {
  const { others = [], why: _why, ...before } = fact;
  const keep = before.value !== null && before.source.kind !== 'entered';
  const list = keep ? [before, ...others].slice(0, 12) : others;
  return {
    value,
    source: value === null ? { kind: 'unknown' } : { kind: 'entered' },
    ...(list.length > 0 ? { others: list } : {}),
  };
}

/** What stands for the fact where one number is wanted, e.g. in a rule: its middle; null where not known. */
export const middle = (fact: Fact | null | undefined): number | null =>
  Array.isArray(fact?.value) ? fact.value[1] : (fact?.value ?? null);

/** Spread of a known fact. */
export function factSpread(value: number | [number, number, number]): Spread {
  return Array.isArray(value) ? spread(...value) : exactly(value);
}

/** The fact as an estimate; `market` stands in where it is not known. */
export function fromFact(
  name: string,
  fact: Fact | null | undefined,
  unit: Unit,
  market?: { range: Spread; note: string },
): Estimate | null {
  if (fact?.value !== null && fact?.value !== undefined)
    return given(name, factSpread(fact.value), unit, fact.source);
  return market ? given(name, market.range, unit, { kind: 'unknown', note: market.note }) : null;
}
