import { draws, SAMPLES } from './sampling';
import { quantile, type Spread } from './spread';

/** Uncertain inputs by name, and which of them hang together: a unit is one of several kinds, each with figures of its own. */
export interface Uncertain<K extends string = string> {
  inputs: Readonly<Record<K, Spread>>;
  /** Kinds the unit may be, all as likely; what a kind does not name is as in `inputs`. Absent: one kind. */
  kinds?: readonly Partial<Record<K, Spread>>[] | undefined;
}

/** The inputs all at their middle. */
export function expectedOf<K extends string>({ inputs, kinds }: Uncertain<K>): Record<K, number> {
  const x = {} as { [key in K]: number };
  for (const key of Object.keys(inputs) as K[]) x[key] = ((kinds?.[0]?.[key] as Spread | undefined) ?? inputs[key]).expected;
  return x;
}

/** Stands for the choice of a kind among the names of draws. */
export const KIND = 'which of its kinds';

export interface Drawing {
  /** Only each so many-th draw, for what may be coarse; absent: each. */
  every?: number;
  /** What an input's draws are called: inputs of the same name are drawn alike, also in another round. Absent: by their key. */
  named?: (key: string) => string;
}

/** Goes through {@link SAMPLES} seeded draws of independent inputs. The record handed over is the same one each time: take what you need from it. */
export function eachDraw<K extends string>({ inputs, kinds = [] }: Uncertain<K>, seed: number, visit: (x: Record<K, number>, i: number) => void, { every = 1, named = (key) => key }: Drawing = {}): void {
  const keys = Object.keys(inputs) as K[];
  const varied = keys.filter((key) => inputs[key].low !== inputs[key].high || kinds.some((kind) => kind[key]));
  const orders = varied.map((key) => draws(named(key), SAMPLES, seed));
  const which = kinds.length > 1 ? draws(named(KIND), SAMPLES, seed) : null;
  const x = {} as { [key in K]: number };
  for (const key of keys) x[key] = inputs[key].expected;
  for (let i = 0; i < SAMPLES; i += every) {
    const kind = kinds[which ? Math.floor(which[i]! * kinds.length) : 0];
    for (let v = 0; v < varied.length; v++) {
      const key = varied[v]!;
      x[key] = quantile((kind?.[key] as Spread | undefined) ?? inputs[key], orders[v]![i]!);
    }
    visit(x, i);
  }
}
