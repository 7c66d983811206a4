import type * as z from 'zod';
import { wordsOf, type AskedWords } from './asked';

/** What a property holds, read off its schema: the form and the CSV follow from it. */
export type Holds =
  | { type: 'text' | 'day' | 'yesno' | 'fact' | 'structure' }
  /** Whole ones only, or any. */
  | { type: 'number'; whole: boolean }
  | { type: 'group' | 'rows'; columns: readonly AskedColumn[] }
  | { type: 'choice'; options: readonly (string | number)[] }
  | { type: 'list'; of: readonly string[] | null };

export interface AskedColumn extends AskedWords {
  key: string;
  holds: Holds;
  /** May be left out: not known. */
  optional: boolean;
  /** May be null: none. */
  nullable: boolean;
}

type Def = {
  type: string;
  format?: string;
  innerType?: z.ZodType;
  element?: z.ZodType;
  entries?: Record<string, string>;
  options?: z.ZodType[];
  values?: unknown[];
  items?: z.ZodType[];
  shape?: Record<string, z.ZodType>;
};
/** What tells a figure with its source from any other group. */
const FACT = ['value', 'source', 'others'];

const defOf = (schema: z.ZodType): Def => schema.def;

function holdsOf(schema: z.ZodType): Holds {
  const def = defOf(schema);
  switch (def.type) {
    case 'string':
      return { type: def.format === 'date' ? 'day' : 'text' };
    case 'number':
      return { type: 'number', whole: (schema as z.ZodNumber).isInt };
    case 'boolean':
      return { type: 'yesno' };
    case 'enum':
      return { type: 'choice', options: Object.values(def.entries!) };
    case 'union': {
      const values = def.options!.flatMap((option) => defOf(option).values ?? []);
      return values.length === def.options!.length
        ? { type: 'choice', options: values as (string | number)[] }
        : { type: 'structure' };
    }
    case 'object':
      if (FACT.every((key) => key in def.shape!)) return { type: 'fact' };
      return {
        type: 'group',
        columns: Object.entries(def.shape!).flatMap(([key, inner]) => columnOf(key, inner)),
      };
    case 'array':
    case 'tuple': {
      const inner = holdsOf(def.element ?? def.items![0]!);
      if (inner.type === 'group' && def.type === 'array') return { type: 'rows', columns: inner.columns };
      return inner.type === 'text'
        ? { type: 'list', of: null }
        : inner.type === 'choice'
          ? { type: 'list', of: inner.options.map(String) }
          : { type: 'structure' };
    }
    default:
      return { type: 'structure' };
  }
}

function columnOf(key: string, schema: z.ZodType): AskedColumn[] {
  const words = wordsOf(schema);
  if (!words) return [];
  let [inner, optional, nullable] = [schema, false, false];
  for (;;) {
    const { type, innerType } = defOf(inner);
    if (type === 'optional') optional = true;
    else if (type === 'nullable') nullable = true;
    else if (type !== 'default') break;
    inner = innerType!;
  }
  return [{ key, ...words, holds: holdsOf(inner), optional, nullable }];
}

const known = new WeakMap<object, readonly AskedColumn[]>();

/** What a schema asks for, in its order: all that has words. */
export function askedOf({ shape }: z.ZodObject): readonly AskedColumn[] {
  const had = known.get(shape);
  if (had) return had;
  const found = Object.entries(shape as Record<string, z.ZodType>).flatMap(([key, schema]) =>
    columnOf(key, schema),
  );
  known.set(shape, found);
  return found;
}
