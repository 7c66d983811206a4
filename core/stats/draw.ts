import { draws, SAMPLES } from './sampling';
import { quantile, quantiles, type Spread } from './spread';

/** One of the ways something may be, with the figures it then has, which go before the inputs'. */
export interface Way<K extends string = string> {
  id: string;
  /** How likely it is beside the others; absent: as all. */
  weight?: number;
  inputs: Readonly<Partial<Record<K, Spread>>>;
}

/** A way whose figures are made when they are asked for: numbers alone ask for those of the first only. */
export function wayOf<K extends string>(id: string, weight: number, make: () => Way<K>['inputs']): Way<K> {
  let made: Way<K>['inputs'] | undefined;
  return {
    id,
    weight,
    get inputs() {
      return (made ??= make());
    },
  };
}

/** Something that is one way or another, nobody knows which: which revision a unit is, how a drive throttles. */
export interface Choice<K extends string = string> {
  /** Names its draws. */
  id: string;
  /** The first stands for all where only one can be shown. */
  ways: readonly Way<K>[];
}

/** Which way each choice went, by its id. */
export type Chosen = Readonly<Record<string, string>>;

/** Uncertain inputs by name, and what among them is a choice between whole ways. */
export interface Uncertain<K extends string = string> {
  inputs: Readonly<Record<K, Spread>>;
  choices?: readonly Choice<K>[] | undefined;
}

/** One case of what is uncertain: a number for each input, a way for each choice. */
export interface Drawn<K extends string = string> {
  x: Record<K, number>;
  chosen: Chosen;
}

/** Numbers at the middle of spreads. */
export function middlesOf<K extends string>(inputs: Readonly<Partial<Record<K, Spread>>>): Record<K, number> {
  const x = {} as { [key in K]: number };
  for (const key of Object.keys(inputs) as K[]) x[key] = inputs[key]!.expected;
  return x;
}

/** The inputs all at their middle, each choice at its first way. */
export function expectedOf<K extends string>({ inputs, choices = [] }: Uncertain<K>): Drawn<K> {
  const first = choices.map(({ id, ways }) => ({ id, way: ways[0]! }));
  return {
    x: first.reduce((x, { way }) => ({ ...x, ...middlesOf(way.inputs) }), middlesOf(inputs)),
    chosen: Object.fromEntries(first.map(({ id, way }) => [id, way.id])),
  };
}

/** The way that a number in [0, 1) falls on: each has as much of it as it weighs. */
function fallsOn<W extends { weight?: number }>(ways: readonly W[], uniform: number): W {
  let left = uniform * sumOf(ways);
  for (const way of ways) if ((left -= way.weight ?? 1) < 0) return way;
  return ways[ways.length - 1]!;
}

function sumOf(ways: readonly { weight?: number }[]): number {
  let sum = 0;
  for (const { weight = 1 } of ways) sum += weight;
  return sum;
}

/** One of all the cases there may be, by a stream of uniform numbers: within the 5 and 95 % points of each input. */
export function oneOf<K extends string>(
  { inputs, choices = [] }: Uncertain<K>,
  uniform: () => number,
): Drawn<K> {
  const spreads: Partial<Record<K, Spread>> = { ...inputs };
  const chosen: Record<string, string> = {};
  for (const { id, ways } of choices) {
    const way = fallsOn(ways, uniform());
    chosen[id] = way.id;
    Object.assign(spreads, way.inputs);
  }
  const x = middlesOf(spreads);
  for (const key of Object.keys(spreads) as K[])
    if (spreads[key]!.low !== spreads[key]!.high) x[key] = quantile(spreads[key]!, 0.05 + 0.9 * uniform());
  return { x, chosen };
}

export interface Drawing {
  /** Only each so many-th draw, for what may be coarse; absent: each. */
  every?: number;
  /** Each so many-th draw is known and left out; absent: none. */
  known?: number | undefined;
  /** What an input's or a choice's draws are called: what has the same name is drawn alike, also in another round. Absent: by its key. */
  named?: (key: string) => string;
}

/** As many columns of one name are kept: of one input, causes change little. */
const KEPT = 4;
interface Column {
  of: Spread;
  order: Float64Array;
  every: number;
  values: Float64Array;
}
const columns = new Map<string, Column[]>();

const isSame = (a: Spread, b: Spread): boolean =>
  a === b ||
  (a.low === b.low &&
    a.expected === b.expected &&
    a.high === b.high &&
    a.median === b.median &&
    a.ceiling === b.ceiling);

/** An input's value in each so many-th draw. @param name of its draws */
function columnOf(name: string, of: Spread, order: Float64Array, every: number): Float64Array {
  const had = columns.get(name) ?? [];
  const same = had.find((one) => one.every === every && one.order === order && isSame(one.of, of));
  if (same) return same.values;
  const values = quantiles(of, order, every);
  if (columns.size > 500) columns.clear();
  columns.set(name, [{ of, order, every, values }, ...had.slice(0, KEPT - 1)]);
  return values;
}

/**
 * Goes through {@link SAMPLES} seeded draws of independent inputs and choices. What is handed over is the same record each time: take
 * what you need from it.
 */
export function eachDraw<K extends string>(
  { inputs, choices = [] }: Uncertain<K>,
  seed: number,
  visit: (drawn: Drawn<K>, i: number) => void,
  { every = 1, known, named = (key) => key }: Drawing = {},
): void {
  const drawn = (key: string) => draws(named(key), SAMPLES, seed);
  const byChoice = new Set(choices.flatMap((c) => c.ways.flatMap((w) => Object.keys(w.inputs) as K[])));
  const inChoice = [...byChoice].map((key) => ({ key, order: drawn(key) }));
  const plain = (Object.keys(inputs) as K[]).filter(
    (key) => inputs[key].low !== inputs[key].high && !byChoice.has(key),
  );
  const values = plain.map((key) => columnOf(named(key), inputs[key], drawn(key), every));
  const which = choices.map(({ id, ways }) => ({ id, ways, order: drawn(id), now: ways[0]! }));
  const x: Record<K, number> = middlesOf(inputs);
  const chosen: Record<string, string> = {};
  const one = { x, chosen };
  for (let i = 0; i < SAMPLES; i += every) {
    if (known !== undefined && i % known === 0) continue;
    for (const w of which) {
      w.now = fallsOn(w.ways, w.order[i]!);
      chosen[w.id] = w.now.id;
    }
    const at = i / every;
    for (let k = 0; k < plain.length; k++) x[plain[k]!] = values[k]![at]!;
    for (const { key, order } of inChoice) {
      let of: Spread = inputs[key];
      for (const { now } of which) of = now.inputs[key] ?? of;
      x[key] = of.low === of.high ? of.expected : quantile(of, order[i]!);
    }
    visit(one, i);
  }
}
