import { exactly, spread, type Spread } from '../stats';
import type { Unit } from '../units';
import { given, type Estimate } from './estimate';
import type { Fact } from './figure';

/** A fact that holds one exact number, as entered. */
export const exactFact = (value: number): Fact => ({ value, source: { kind: 'entered' } });

/** The fact with another of its sourced values chosen; the one chosen before stands among the others. */
export function chooseValue(fact: Fact, index: number, why: string): Fact {
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
