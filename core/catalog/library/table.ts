import { parseFact, writeFact, type Fact, type Source } from '../../evidence';
import type { PartKind, PartOf } from '../parts';
import { UNIT_OF, type AskedColumn, type Dimension } from '../../units';
import { columnsOf } from './column';
import { unmistakable } from './marks';

/*
 * Parts as a table: what a CSV file holds [RFC 4180]. A line is a part, a column a property; a figure has a second column for its source and a third
 * for what else is known of it. Structures (ports, revisions) stand in one cell as JSON. What is written is read back the same.
 */
export const SOURCE = ', source';
export const MORE = ', more';
export const heading = ({ label, dimension, of, holds }: AskedColumn): string =>
  holds.type === 'fact'
    ? label
    : dimension
      ? `${label} (${UNIT_OF[dimension]})`
      : of
        ? `${label} (${of})`
        : label;

/** A figure with nothing rounded away: as people write it where that reads back the same, else in its base unit. */
function exactly(value: NonNullable<Fact['value']>, dimension: Dimension): string {
  const unit = UNIT_OF[dimension];
  const same = (text: string) => {
    const read = parseFact(text, dimension);
    return read.ok && JSON.stringify(read.value) === JSON.stringify(value);
  };
  const plain = [value]
    .flat()
    .map((v) => `${v} ${unit === 'count' ? '' : unit}`.trim())
    .join(' / ');
  return [writeFact(value, unit), writeFact(value, unit, 15), plain].map(unmistakable).find(same) ?? plain;
}

const sourceText = ({ kind, note }: Source): string =>
  kind === 'unknown' && !note ? '' : note ? `${kind}: ${note}` : kind;

/** A property's cells: itself, and for a figure its source and what else is known of it. */
export function cellsOf(column: AskedColumn, value: unknown): string[] {
  const { holds, dimension = 'count' } = column;
  if (holds.type !== 'fact') return [plainCell(column, value)];
  if (value === undefined || value === null) return ['', '', ''];
  const { value: figure, source, ...more } = value as Fact;
  return [
    figure === null ? 'not known' : exactly(figure, dimension),
    sourceText(source),
    Object.keys(more).length > 0 ? JSON.stringify(more) : '',
  ];
}

function plainCell({ holds }: AskedColumn, value: unknown): string {
  if (value === undefined || value === null) return '';
  if (holds.type === 'yesno') return value ? 'yes' : 'no';
  if (holds.type === 'list') return (value as string[]).join(' + ');
  return typeof value === 'object' ? JSON.stringify(value) : `${value as string | number}`;
}

/** A kind's parts as rows, the headings first. Columns that no part fills are left out, unless there are no parts: then all stand, as a form. */
export function toRows<K extends PartKind>(kind: K, parts: readonly PartOf[K][]): string[][] {
  const wide = columnsOf(kind).flatMap((column) => {
    const names =
      column.holds.type === 'fact'
        ? [heading(column), heading(column) + SOURCE, heading(column) + MORE]
        : [heading(column)];
    const cells = parts.map((part) => cellsOf(column, (part as Record<string, unknown>)[column.key]));
    return names.map((name, i) => ({ name, cells: cells.map((c) => c[i]!) }));
  });
  const used = wide.filter(({ name, cells }) =>
    parts.length === 0 ? !name.endsWith(MORE) : cells.some((cell) => cell !== ''),
  );
  return [used.map((c) => c.name), ...parts.map((_, i) => used.map((c) => c.cells[i]!))];
}
