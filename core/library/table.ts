import { parseFact, Source, writeFact, type Fact } from '../evidence';
import { KINDS, type Kind, type PartOf } from '../parts';
import { readJson } from '../text';
import { parseQuantity, UNIT_OF, type Dimension } from '../units';
import { columnsOf, type Column } from './column';

/*
 * Parts as a table: what a CSV file holds [RFC 4180]. A line is a part, a column a property; a figure has a second column for its source and a third
 * for what else is known of it. Structures (ports, revisions) stand in one cell as JSON. What is written is read back the same.
 */
const SOURCE = ', source';
const MORE = ', more';
const heading = ({ label, dimension, of, holds }: Column): string => (holds.type === 'fact' ? label : dimension ? `${label} (${UNIT_OF[dimension]})` : of ? `${label} (${of})` : label);

/** A figure with nothing rounded away: as people write it where that reads back the same, else in its base unit. */
function exactly(value: NonNullable<Fact['value']>, dimension: Dimension): string {
  const unit = UNIT_OF[dimension];
  const same = (text: string) => {
    const read = parseFact(text, dimension);
    return read.ok && JSON.stringify(read.value) === JSON.stringify(value);
  };
  const plain = [value].flat().map((v) => `${v} ${unit === 'count' ? '' : unit}`.trim()).join(' / ');
  return [writeFact(value, unit), writeFact(value, unit, 15), plain].find(same) ?? plain;
}

const sourceText = ({ kind, note }: Source): string => (kind === 'unknown' && !note ? '' : note ? `${kind}: ${note}` : kind);

function cellsOf(column: Column, value: unknown): string[] {
  const { holds, dimension = 'count' } = column;
  if (holds.type !== 'fact') return [plainCell(column, value)];
  if (value === undefined || value === null) return ['', '', ''];
  const { value: figure, source, ...more } = value as Fact;
  return [figure === null ? 'not known' : exactly(figure, dimension), sourceText(source), Object.keys(more).length > 0 ? JSON.stringify(more) : ''];
}

function plainCell({ holds }: Column, value: unknown): string {
  if (value === undefined || value === null) return '';
  if (holds.type === 'yesno') return value ? 'yes' : 'no';
  if (holds.type === 'list') return (value as string[]).join(' + ');
  return ['structure', 'group', 'rows'].includes(holds.type) ? JSON.stringify(value) : String(value);
}

/** A kind's parts as rows, the headings first. Columns that no part fills are left out, unless there are no parts: then all stand, as a form. */
export function toRows<K extends Kind>(kind: K, parts: readonly PartOf[K][]): string[][] {
  const wide = columnsOf(kind).flatMap((column) => {
    const names = column.holds.type === 'fact' ? [heading(column), heading(column) + SOURCE, heading(column) + MORE] : [heading(column)];
    const cells = parts.map((part) => cellsOf(column, (part as Record<string, unknown>)[column.key]));
    return names.map((name, i) => ({ name, cells: cells.map((c) => c[i]!) }));
  });
  const used = wide.filter(({ name, cells }) => (parts.length === 0 ? !name.endsWith(MORE) : cells.some((cell) => cell !== '')));
  return [used.map((c) => c.name), ...parts.map((_, i) => used.map((c) => c.cells[i]!))];
}

/** What is wrong in a table, with its place as a spreadsheet counts: lines and columns from 1, the headings being line 1. */
export interface Problem {
  line: number;
  column: number;
  words: string;
}

export interface FromRows<K extends Kind> {
  parts: PartOf[K][];
  problems: Problem[];
  /** Headings that name no property: left out. */
  ignored: string[];
}

/** A cell that cannot be read. */
class Unreadable extends Error {}

/** Reads a table of parts. A line with a problem gives no part; all problems are told. Never throws. */
export function fromRows<K extends Kind>(kind: K, rows: readonly (readonly string[])[]): FromRows<K> {
  const [head = [], ...lines] = rows;
  const found: FromRows<K> = { parts: [], problems: [], ignored: [] };
  const tidy = (text: string) => text.replace(/^\ufeff/, '').trim().toLowerCase();
  const names = head.map(tidy);
  const columns = columnsOf(kind);
  const at = (column: Column, suffix = '') => names.findIndex((name) => [heading(column), column.label, column.key].some((n) => name === n.toLowerCase() + suffix));
  const taken = new Set(columns.flatMap((column) => ['', SOURCE, MORE].map((suffix) => at(column, suffix))));
  found.ignored = head.filter((name, i) => !taken.has(i) && name.trim() !== '');
  const needed = columns.filter((c) => !c.optional && !c.nullable && c.holds.type !== 'fact' && at(c) < 0);
  if (needed.length > 0) {
    found.problems.push({ line: 1, column: 1, words: `The headings lack: ${needed.map(heading).join(', ')}.` });
    return found;
  }
  const seen = new Map<string, number>();
  lines.forEach((cells, i) => {
    const line = i + 2;
    if (cells.every((cell) => cell.trim() === '')) return;
    const before = found.problems.length;
    const part: Record<string, unknown> = {};
    for (const column of columns) {
      const index = at(column);
      const cell = (suffix: string) => (cells[at(column, suffix)] ?? '').trim();
      try {
        const value = read(column, cell(''), cell(SOURCE), cell(MORE));
        if (value !== undefined) part[column.key] = value;
      } catch (error) {
        if (!(error instanceof Unreadable)) throw error;
        found.problems.push({ line, column: index + 1, words: `${heading(column)}: ${error.message}` });
      }
    }
    if (found.problems.length > before) return;
    const checked = KINDS[kind].safeParse(part);
    if (!checked.success) {
      for (const issue of checked.error.issues) {
        const column = columns.find((c) => c.key === issue.path[0]);
        found.problems.push({ line, column: column ? at(column) + 1 : 1, words: `${column ? heading(column) : String(issue.path[0])}: ${issue.message}` });
      }
      return;
    }
    const { id } = checked.data;
    const twice = seen.get(id);
    if (twice !== undefined) found.problems.push({ line, column: at(columns.find((c) => c.key === 'id')!) + 1, words: `Id: "${id}" stands in line ${twice} too.` });
    else {
      seen.set(id, line);
      found.parts.push(checked.data as PartOf[K]);
    }
  });
  return found;
}

function read(column: Column, text: string, source: string, more: string): unknown {
  const { holds, dimension, optional, nullable } = column;
  if (holds.type === 'fact') return factOf(column, text, source, more);
  if (text === '') return nullable && !optional ? null : undefined;
  switch (holds.type) {
    case 'text':
      return text;
    case 'number': {
      if (!dimension && /^[\d.eE+-]+$/.test(text)) return Number(text);
      const quantity = parseQuantity(text, dimension ?? 'count');
      if (!quantity.ok) throw new Unreadable(quantity.problem);
      return quantity.value;
    }
    case 'yesno':
      if (/^(yes|y|true|1)$/i.test(text)) return true;
      if (/^(no|n|false|0)$/i.test(text)) return false;
      throw new Unreadable(`"${text}" is neither yes nor no. Leave it empty for not known.`);
    case 'choice': {
      const option = holds.options.find((o) => String(o).toLowerCase() === text.toLowerCase());
      if (option === undefined) throw new Unreadable(`"${text}" is none of ${holds.options.join(', ')}.`);
      return option;
    }
    case 'list':
      return text.split(/[+;]/).map((item) => item.trim()).map((item) => holds.of?.find((o) => o.toLowerCase() === item.toLowerCase()) ?? item);
    case 'group':
    case 'rows':
    case 'structure':
      return json(text);
  }
}

function factOf({ dimension = 'count', optional, nullable }: Column, text: string, source: string, more: string): Fact | null | undefined {
  if (text === '' && source === '' && more === '') return optional ? undefined : nullable ? null : { value: null, source: { kind: 'unknown' } };
  const figure = parseFact(text === '' ? '?' : text, dimension);
  if (!figure.ok) throw new Unreadable(figure.problem);
  const [, kind = '', note] = /^([^:]*)(?::\s*([\s\S]*))?$/.exec(source)!;
  const from = source === '' ? { kind: figure.value === null ? 'unknown' : 'entered' } : { kind: kind.trim().toLowerCase(), ...(note === undefined ? {} : { note }) };
  const checked = Source.safeParse(from);
  if (!checked.success) throw new Unreadable(`"${kind}" is no source. Write one of ${Source.shape.kind.options.join(', ')}, then a colon and a note.`);
  return { value: figure.value, source: checked.data, ...(more === '' ? {} : (json(more) as object)) };
}

function json(text: string): unknown {
  const read = readJson(text);
  if (!read.ok) throw new Unreadable(`is ${read.problem}.`);
  return read.value;
}
