import type * as z from 'zod';
import { askedOf, format, UNIT_OF, type AskedColumn } from '../units';
import type { Fact } from './figure';
import { writeFact } from './typed';

/** A value in words; null where nothing was said. */
function valueWords({ dimension = 'count', choices, holds }: AskedColumn, value: unknown): string | null {
  const chosen = choices?.find(([of]) => of === value)?.[1];
  if (chosen !== undefined) return chosen;
  switch (holds.type) {
    case 'fact': {
      const { value: known } = value as Fact;
      return known === null ? null : writeFact(known, UNIT_OF[dimension]);
    }
    case 'yesno':
      return value === true ? '' : 'no';
    case 'number':
      return format(value as number, UNIT_OF[dimension]);
    case 'list':
      return (value as string[]).join(', ') || null;
    case 'text':
    case 'day':
    case 'choice':
      return typeof value === 'number' ? String(value) : (value as string);
    default:
      return null;
  }
}

/**
 * What somebody filled in of what a schema asks for, each in its own words: `Portable`, `Role Archive`, `At most so hot 55 °C`.
 * @param keys only these; absent: all
 */
export function filledIn(of: z.ZodObject, values: object, keys?: readonly string[]): string[] {
  return askedOf(of).flatMap((column) => {
    const value = (values as Record<string, unknown>)[column.key];
    if (value === undefined || value === null || (keys && !keys.includes(column.key))) return [];
    const words = valueWords(column, value);
    return words === null ? [] : [`${column.label} ${words}`.trim()];
  });
}
