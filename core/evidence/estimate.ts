import type { Unit } from '../units';
import type { Source } from './source';
import { exactly, type Spread } from '../stats';

/** How a figure came about: given from outside, worked out exactly, or from seeded samples of its inputs. */
export type How = 'given' | 'exact' | 'sampled';

/** The working of a figure: enough to defend it in front of a customer. Plain data, so that it can be frozen into a job file. */
export interface Because {
  /** What the figure is, e.g. "ceiling of USB 10 Gb/s". */
  name: string;
  how: How;
  /** The formula in words. */
  formula?: string;
  /** The same formula with the expected numbers put in. */
  filled?: string;
  /** The value as its standard writes it, where a decimal hides it (128/132). */
  shown?: string;
  note?: string;
  /** Only for given figures. */
  source?: Source;
  inputs: Estimate[];
}

/** A figure that explains itself: 5 %, 50 % and 95 % points and the working. */
export interface Estimate extends Spread {
  unit: Unit;
  because: Because;
}

/** A figure from outside the models, with its source. */
export function given(
  name: string,
  value: number | Spread,
  unit: Unit,
  source: Source,
  more: { shown?: string; note?: string } = {},
): Estimate {
  return {
    ...(typeof value === 'number' ? exactly(value) : value),
    unit,
    because: { name, how: 'given', source, inputs: [], ...more },
  };
}

/** A figure worked out of others by other means than a formula (a least, a sample). */
export function worked(name: string, value: Spread, unit: Unit, because: Omit<Because, 'name'>): Estimate {
  return { ...value, unit, because: { name, ...because } };
}

/** A figure whose working is made when somebody asks for it. */
export function lazily(value: Spread, make: () => Estimate): Estimate {
  let made: Estimate | undefined;
  const whole = () => (made ??= make());
  return {
    ...value,
    get unit() {
      return whole().unit;
    },
    get because() {
      return whole().because;
    },
  };
}

/** The same figure under another name, its working one level below. */
export function renamed(name: string, estimate: Estimate, note?: string): Estimate {
  return { ...estimate, because: { ...estimate.because, name, ...(note ? { note } : {}) } };
}
