import * as z from 'zod';
import type { Unit } from '../units';
import { given, type Estimate } from './estimate';
import { Source } from './source';
import { exactly, spread, type Spread } from './spread';

const positive = z.number().nonnegative({ error: 'must be zero or more' });

/**
 * A property of a part or a host with its source: one number, three points [low, expected, high], or null for "not known",
 * which a model widens to the range of what is on the market.
 */
export const Fact = z.object({
  value: z
    .union([positive, z.tuple([positive, positive, positive])])
    .nullable()
    .refine((v) => !Array.isArray(v) || (v[0] <= v[1] && v[1] <= v[2]), { error: 'the three points must rise: low, expected, high' }),
  source: Source,
});
export type Fact = z.infer<typeof Fact>;

/** Spread of a known fact. */
export function factSpread(value: number | [number, number, number]): Spread {
  return Array.isArray(value) ? spread(...value) : exactly(value);
}

/** The fact as an estimate; `market` stands in where it is not known. */
export function fromFact(name: string, fact: Fact | null | undefined, unit: Unit, market?: { range: Spread; note: string }): Estimate | null {
  if (fact?.value !== null && fact?.value !== undefined) return given(name, factSpread(fact.value), unit, fact.source);
  return market ? given(name, market.range, unit, { kind: 'unknown', note: market.note }) : null;
}
