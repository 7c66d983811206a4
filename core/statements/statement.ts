import { format, formatRange, type Unit } from '../units';
import type { Spread } from '../stats';

/** Why it is said: somebody told it, it is forecast, it was frozen, it was measured, it follows from what was measured, it is planned. */
export type Ground = 'told' | 'forecast' | 'frozen' | 'measured' | 'judged' | 'planned';

/**
 * A figure, or a sentence with figures, as people read it: the same words wherever it stands. Made here alone: a page,
 * a document or the command line asks for it and works nothing out.
 */
export interface Statement {
  /** Ground, what it is, and of what: `forecast expected offload`. One id says one thing of a job. */
  id: string;
  words: string;
}

/** What is said of one thing, by what it is; what is absent is not said. */
export type Said<What extends string> = { [W in What]?: Statement };

/**
 * Statements of one thing on one ground.
 * @param words what is said, by what it is; null or empty: nothing is
 * @example say('told', 'offload', { target: '12 min' }).target.id // 'told target offload'
 */
export function say<What extends string>(
  ground: Ground,
  of: string,
  words: Partial<Record<What, string | null>>,
): Said<What> {
  const said = Object.entries(words as Record<string, string | null | undefined>).flatMap(([what, told]) =>
    told ? [[what, { id: `${ground} ${what} ${of}`, words: told }] as const] : [],
  );
  return Object.fromEntries(said) as Said<What>;
}

/** Of what, where there are several of the same. */
export const naming = (...parts: readonly (string | null | undefined)[]): string =>
  parts.filter(Boolean).join(' ');

/** A margin is told as so many times, by two digits. */
const isMargin = (unit: Unit): boolean => unit === 'ratio';

/** A figure as it is told. */
export const figureWords = ({ expected }: Pick<Spread, 'expected'>, unit: Unit): string =>
  isMargin(unit) ? `${format(expected, unit, 2)} times` : format(expected, unit);

/** Its range. */
export const rangeWords = (figure: Spread, unit: Unit): string =>
  isMargin(unit)
    ? `${format(figure.low, unit, 2)} to ${format(figure.high, unit, 2)}`
    : formatRange(figure, unit);
