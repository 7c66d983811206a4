import type { Unit } from '../units';
import { exactly, least, type Spread } from '../stats';
import { given, renamed, worked, type Because, type Estimate } from './estimate';
import { factSpread, fromFact } from './fact';
import type { Fact } from './figure';
import type { Explained, Formula } from './formula';
import type { Source } from './source';

/** What stands in for a fact that is not known. */
export interface Market {
  range: Spread;
  note: string;
}

/** How a figure came about, without its name. */
type WorkedOut<T> = Omit<Because, 'name' | 'inputs' | 'source'> & { inputs: readonly T[] };

/**
 * Makes figures in one of two ways, so that what is worked out is written once: with the whole working, or bare, for candidates by
 * the hundred thousand. Both give the same numbers to the last bit.
 */
export interface Recorder<T extends Spread = Spread> {
  /** Ranges of the shop's own, which go before what is assumed else; by the assumption's id. */
  shopRanges: Readonly<Partial<Record<string, Spread>>>;
  given(name: string, value: number | Spread, unit: Unit, source: Source): T;
  /** A fact; what is on the market where it is not known. */
  fact(name: string, fact: Fact | null | undefined, unit: Unit, market: Market): T;
  /** A fact, or null where it is not known. */
  known(name: string, fact: Fact | null | undefined, unit: Unit): T | null;
  of<K extends string>(formula: Formula<K>, x: Record<K, T>, more?: Explained): T;
  /** The least of independent figures, each with the name it goes by in the formula. */
  least(name: string, parts: readonly { name: string; figure: T }[], unit: Unit, note?: string): T;
  renamed(name: string, figure: T): T;
  /** The figure under a name made of its own. */
  reworded(figure: T, words: (name: string) => string): T;
  /** A figure worked out by other means than a formula; its working is written when it is wanted. */
  worked(name: string, value: Spread, unit: Unit, because: () => WorkedOut<T>): T;
  /** A figure that has both its ways already. */
  either(bare: () => Spread, explained: () => Estimate): T;
}

const spreadOf = (value: number | Spread): Spread => (typeof value === 'number' ? exactly(value) : value);
const valueOf = (fact: Fact | null | undefined): Spread | null =>
  fact?.value === null || fact?.value === undefined ? null : factSpread(fact.value);

/** Numbers only. */
export const bare: Recorder<Spread> = {
  shopRanges: {},
  given: (_, value) => spreadOf(value),
  fact: (_, fact, __, { range }) => valueOf(fact) ?? range,
  known: (_, fact) => valueOf(fact),
  of: (formula, x, more = {}) => {
    const found = formula.spread(x, more.seed);
    return more.ceiling === undefined ? found : { ...found, ceiling: more.ceiling };
  },
  least: (_, parts) => least(parts.map((part) => part.figure)),
  renamed: (_, figure) => figure,
  reworded: (figure) => figure,
  worked: (_, value) => value,
  either: (of) => of(),
};

/** Everything with its working. */
export const explaining: Recorder<Estimate> = {
  shopRanges: {},
  given: (name, value, unit, source) => given(name, value, unit, source),
  fact: (name, fact, unit, market) => fromFact(name, fact, unit, market)!,
  known: (name, fact, unit) => fromFact(name, fact, unit),
  of: (formula, x, more) => formula.explain(x, more),
  least: (name, parts, unit, note) =>
    worked(name, least(parts.map((part) => part.figure)), unit, {
      how: 'exact',
      formula: `least of (${parts.map((part) => part.name).join('; ')})`,
      ...(note ? { note } : {}),
      inputs: parts.map((part) => part.figure),
    }),
  renamed: (name, figure) => renamed(name, figure),
  reworded: (figure, words) => ({
    ...figure,
    because: { ...figure.because, name: words(figure.because.name) },
  }),
  worked: (name, value, unit, because) => {
    const { inputs, ...how } = because();
    return worked(name, value, unit, { ...how, inputs: [...inputs] });
  },
  either: (_, of) => of(),
};

/** Both recorders, with a shop's own ranges in place of what is assumed. */
export interface Recorders {
  bare: Recorder<Spread>;
  explaining: Recorder<Estimate>;
}
export const recordersFor = (shopRanges: Recorder['shopRanges'] = {}): Recorders => ({
  bare: { ...bare, shopRanges },
  explaining: { ...explaining, shopRanges },
});
