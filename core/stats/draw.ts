import { draws, SAMPLES } from './sampling';
import { quantile, type Spread } from './spread';

/** Something that is one way or another: which revision a unit is, how a drive throttles. Each way has figures of its own, which go before the inputs'. */
export interface Choice<K extends string = string> {
  name: string;
  /** All as likely; one that stands here twice counts twice. The first stands for all where only one can be shown. */
  ways: readonly { is: string; inputs: Readonly<Partial<Record<K, Spread>>> }[];
}

/** Uncertain inputs by name, and what among them is a choice between whole ways. */
export interface Uncertain<K extends string = string> {
  inputs: Readonly<Record<K, Spread>>;
  choices?: readonly Choice<K>[] | undefined;
}

/** Numbers at the middle of spreads. */
export function middlesOf<K extends string>(inputs: Readonly<Partial<Record<K, Spread>>>): Record<K, number> {
  const x = {} as { [key in K]: number };
  for (const key of Object.keys(inputs) as K[]) x[key] = inputs[key]!.expected;
  return x;
}

/** The inputs all at their middle, each choice at its first way. */
export const expectedOf = <K extends string>({ inputs, choices = [] }: Uncertain<K>): Record<K, number> =>
  Object.assign(middlesOf(inputs), ...choices.map((c) => middlesOf(c.ways[0]!.inputs)));

/** One of all the cases there may be, by a stream of uniform numbers: within the 5 and 95 % points of each input. */
export function oneOf<K extends string>(
  { inputs, choices = [] }: Uncertain<K>,
  uniform: () => number,
): Record<K, number> {
  const spreads: Partial<Record<K, Spread>> = { ...inputs };
  for (const { ways } of choices) Object.assign(spreads, ways[Math.floor(uniform() * ways.length)]!.inputs);
  const x = middlesOf(spreads);
  for (const key of Object.keys(spreads) as K[])
    if (spreads[key]!.low !== spreads[key]!.high) x[key] = quantile(spreads[key]!, 0.05 + 0.9 * uniform());
  return x;
}

export interface Drawing {
  /** Only each so many-th draw, for what may be coarse; absent: each. */
  every?: number;
  /** What an input's or a choice's draws are called: what has the same name is drawn alike, also in another round. Absent: by its key. */
  named?: (key: string) => string;
}

/** Goes through {@link SAMPLES} seeded draws of independent inputs and choices. The record handed over is the same one each time: take what you need from it. */
export function eachDraw<K extends string>(
  { inputs, choices = [] }: Uncertain<K>,
  seed: number,
  visit: (x: Record<K, number>, i: number) => void,
  { every = 1, named = (key) => key }: Drawing = {},
): void {
  const drawn = (key: string) => draws(named(key), SAMPLES, seed);
  const chosen = [
    ...new Set(choices.flatMap((c) => c.ways.flatMap((w) => Object.keys(w.inputs) as K[]))),
  ].map((key) => ({ key, order: drawn(key) }));
  const plain = (Object.keys(inputs) as K[])
    .filter((key) => inputs[key].low !== inputs[key].high && chosen.every((c) => c.key !== key))
    .map((key) => ({ key, order: drawn(key), of: inputs[key] }));
  const which = choices.map(({ name, ways }) => ({ ways, order: drawn(name), now: ways[0]! }));
  const x: Record<K, number> = middlesOf(inputs);
  for (let i = 0; i < SAMPLES; i += every) {
    for (const w of which) w.now = w.ways[Math.floor(w.order[i]! * w.ways.length)]!;
    for (const { key, order, of } of plain) x[key] = quantile(of, order[i]!);
    for (const { key, order } of chosen) {
      let of: Spread = inputs[key];
      for (const { now } of which) of = now.inputs[key] ?? of;
      x[key] = of.low === of.high ? of.expected : quantile(of, order[i]!);
    }
    visit(x, i);
  }
}
