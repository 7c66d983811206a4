import * as z from 'zod';
import type { Dimension } from './quantity';
import type { Unit } from './unit';

/** How what a schema holds is called and asked for: forms, tables and their headings follow from it. */
export interface AskedWords {
  label: string;
  /** Of a quantity: what it measures. */
  dimension?: Dimension;
  /** Unit a bare count is meant in. */
  unit?: Unit;
  /** What a bare number is typed in, where that is not the usual unit. */
  bare?: string;
  /** Unit of a plain number, for the label; null where the label says it all. */
  of?: string | null;
  /** What its column was called before: tables written then are still read. */
  was?: readonly string[];
  /** What it may be, each in words; of a number, what is usual. */
  choices?: readonly (readonly [value: number | string | boolean, words: string])[];
  /** What a form begins with. */
  first?: number | string | boolean;
  /** What leaving it out means, where that is not nothing. */
  absent?: unknown;
  /** It names rows of the part, by their ids: the key that those stand under. */
  among?: string;
}
type How = Omit<AskedWords, 'label'>;
/** A number does without neither its dimension nor the name of its unit. */
type Measured = How & ({ dimension: Dimension } | { of: string | null } | Required<Pick<How, 'choices'>>);
type Figure = { value: unknown; source: unknown };
type HowFor<T> = number extends T
  ? [how: Dimension | Measured]
  : T extends Figure
    ? [how: Dimension | Measured]
    : [how?: How];

declare const ASKED: unique symbol;
/** A schema with words. */
export type WithWords<S extends z.ZodType = z.ZodType> = S & { readonly [ASKED]: true };

const WORDS = z.registry<AskedWords>();

/** A schema under a name people know, a number with what it is measured in. The schema itself stays as it is: others may call it otherwise. */
export function asks<S extends z.ZodType>(
  label: string,
  schema: S,
  ...[how = {}]: HowFor<NonNullable<z.output<S>>>
): WithWords<S> {
  const named = schema.meta({ title: label });
  WORDS.add(named, { label, ...(typeof how === 'string' ? { dimension: how } : how) });
  return named as WithWords<S>;
}

/** An object of which everything has words. */
export const askedFor = <S extends Record<string, WithWords>>(shape: S): z.ZodObject<S> => z.object(shape);

/** What a schema is called; undefined where nobody asks for it. */
export const wordsOf = (schema: z.ZodType): AskedWords | undefined => WORDS.get(schema);
