import { parseFact, Source, type Fact } from '../../evidence';
import { PART_KINDS, type PartKind, type PartOf } from '../parts';
import { readJson } from '../../text';
import { parseQuantity, type AskedColumn } from '../../units';
import { isFormula, plainRows } from './cell';
import { columnsOf } from './column';
import { marksOf, withPoint } from './marks';
import { heading, MORE, SOURCE } from './table';

/** What is wrong in a table, with its place as a spreadsheet counts: lines and columns from 1, the headings being line 1. */
export interface RowProblem {
  line: number;
  column: number;
  words: string;
}

export interface FromRows<K extends PartKind> {
  parts: PartOf[K][];
  problems: RowProblem[];
  /** What was taken otherwise than it stands there, said. */
  notes: string[];
  /** A figure that can be read two ways, and nothing in the table tells which: to be asked. */
  doubtful: string | null;
  /** Properties that the table has a column for. */
  keys: string[];
  /** Headings that name no property: left out. */
  ignored: string[];
}

/** A cell that cannot be read. */
class Unreadable extends Error {}

/** What a property's cells come to: a value, or what is wrong with them. */
type CellRead = { ok: true; value: unknown } | { ok: false; problems: string[] };

/** Reads the cells of one kind of part; what was read once is known. Thousands of lines hold the same few hundred texts. */
class Cells {
  private readonly known = new Map<string, Map<string, CellRead>>();

  constructor(private readonly kind: PartKind) {}

  read(column: AskedColumn, text: string, source: string, more: string): CellRead {
    let of = this.known.get(column.key);
    if (!of) this.known.set(column.key, (of = new Map<string, CellRead>()));
    const key = source === '' && more === '' ? text : `${text}\u0000${source}\u0000${more}`;
    const had = of.get(key);
    if (had) return had;
    const found = this.fresh(column, text, source, more);
    of.set(key, found);
    return found;
  }

  private fresh(column: AskedColumn, text: string, source: string, more: string): CellRead {
    try {
      const value = read(column, text, source, more);
      const checked =
        PART_KINDS[this.kind].shape[column.key as keyof (typeof PART_KINDS)[PartKind]['shape']].safeParse(
          value,
        );
      return checked.success
        ? { ok: true, value: checked.data }
        : { ok: false, problems: checked.error.issues.map((issue) => issue.message) };
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      return { ok: false, problems: [error.message] };
    }
  }
}

/**
 * Reads a table of parts. A line with a problem gives no part; all problems are told. Never throws.
 * @param decimal the mark of its decimals, where a person said; else the figures themselves tell, as far as they do
 */
export function fromRows<K extends PartKind>(
  kind: K,
  rows: readonly (readonly string[])[],
  decimal?: '.' | ',',
): FromRows<K> {
  const [head = [], ...lines] = plainRows(rows);
  const found: FromRows<K> = { parts: [], problems: [], notes: [], doubtful: null, keys: [], ignored: [] };
  const columns = columnsOf(kind);
  const at = placesOf(columns, head);
  found.keys = columns.filter((column) => at(column) >= 0).map((column) => column.key);
  const taken = new Set(columns.flatMap((column) => ['', SOURCE, MORE].map((suffix) => at(column, suffix))));
  found.ignored = head.filter((name, i) => !taken.has(i) && name.trim() !== '');
  const needed = columns.filter((c) => !c.optional && !c.nullable && c.holds.type !== 'fact' && at(c) < 0);
  if (needed.length > 0) {
    found.problems.push({
      line: 1,
      column: 1,
      words: `The headings lack: ${needed.map(heading).join(', ')}.`,
    });
    return found;
  }
  const mark = markFor(
    columns
      .filter(isFigure)
      .map((c) => at(c))
      .filter((i) => i >= 0),
    lines,
    decimal,
    found,
  );
  const reader = new Cells(kind);
  const wanted = columns.map((column) => ({
    column,
    figure: isFigure(column),
    main: at(column),
    source: at(column, SOURCE),
    more: at(column, MORE),
  }));
  const seen = new Map<string, number>();
  lines.forEach((cells, i) => {
    const line = i + 2;
    if (cells.every((cell) => cell.trim() === '')) return;
    const before = found.problems.length;
    const part: Record<string, unknown> = {};
    for (const { column, figure, main, source, more } of wanted) {
      const text = (cells[main] ?? '').trim();
      const complain = (words: string) =>
        found.problems.push({ line, column: at(column) + 1, words: `${heading(column)}: ${words}` });
      if (isFormula(text)) {
        if (figure) {
          complain(`"${text.slice(0, 60)}" is a formula. Save the table with its values.`);
          continue;
        }
        found.notes.push(
          `Line ${line}, ${heading(column)}: “${text.slice(0, 60)}” looks like a formula and is taken as text.`,
        );
      }
      const value = reader.read(
        column,
        mark && figure ? withPoint(text, mark) : text,
        (cells[source] ?? '').trim(),
        (cells[more] ?? '').trim(),
      );
      if (!value.ok) value.problems.forEach(complain);
      else if (value.value !== undefined) part[column.key] = value.value;
    }
    if (found.problems.length > before) return;
    const id = String(part.id);
    const twice = seen.get(id);
    if (twice !== undefined)
      found.problems.push({
        line,
        column: at(columns.find((c) => c.key === 'id')!) + 1,
        words: `Id: "${id}" stands in line ${twice} too.`,
      });
    else {
      seen.set(id, line);
      found.parts.push(part as PartOf[K]);
    }
  });
  return found;
}

/** Where each property's columns stand in a table; −1 for those that are not there. */
function placesOf(
  columns: readonly AskedColumn[],
  head: readonly string[],
): (column: AskedColumn, suffix?: string) => number {
  const names = new Map<string, number>();
  head.forEach((text, i) => {
    const name = text
      .replace(/^\ufeff/, '')
      .trim()
      .toLowerCase();
    if (!names.has(name)) names.set(name, i);
  });
  const find = (column: AskedColumn, suffix: string) => {
    const there = [heading(column), column.label, column.key, ...(column.was ?? [])]
      .map((name) => names.get(name.toLowerCase() + suffix))
      .filter((i) => i !== undefined);
    return there.length > 0 ? Math.min(...there) : -1;
  };
  const places = new Map(
    columns.flatMap((column) =>
      ['', SOURCE, MORE].map((suffix) => [column.key + suffix, find(column, suffix)] as const),
    ),
  );
  return (column, suffix = '') => places.get(column.key + suffix)!;
}

const isFigure = ({ holds }: AskedColumn): boolean => holds.type === 'fact' || holds.type === 'number';

/** The mark of a table's decimals, and what is to be said or asked of it. */
function markFor(
  columns: readonly number[],
  lines: readonly (readonly string[])[],
  decimal: '.' | ',' | undefined,
  found: Pick<FromRows<PartKind>, 'notes' | 'doubtful'>,
): '.' | ',' | null {
  if (decimal) return decimal;
  const marks = marksOf(
    (function* () {
      for (const cells of lines) for (const i of columns) yield cells[i] ?? '';
    })(),
  );
  if (!marks.doubtful) return marks.decimal;
  if (marks.decimal)
    found.notes.push(
      `“${marks.doubtful}” is read with a decimal ${marks.decimal === '.' ? 'point' : 'comma'}, as “${marks.shown}” shows.`,
    );
  else found.doubtful = marks.doubtful;
  return marks.decimal;
}

function read(column: AskedColumn, text: string, source: string, more: string): unknown {
  const { holds, dimension, optional, nullable } = column;
  if (holds.type === 'fact') return factOf(column, text, source, more);
  if (text === '') return nullable && !optional ? null : undefined;
  switch (holds.type) {
    case 'day':
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
      return text
        .split(/[+;]/)
        .map((item) => item.trim())
        .map((item) => holds.of?.find((o) => o.toLowerCase() === item.toLowerCase()) ?? item);
    case 'group':
    case 'rows':
    case 'structure':
      return json(text);
  }
}

function factOf(
  { dimension = 'count', optional, nullable }: AskedColumn,
  text: string,
  source: string,
  more: string,
): Fact | null | undefined {
  if (text === '' && source === '' && more === '')
    return optional ? undefined : nullable ? null : { value: null, source: { kind: 'unknown' } };
  const figure = parseFact(text === '' ? '?' : text, dimension);
  if (!figure.ok) throw new Unreadable(figure.problem);
  const [, kind = '', note] = /^([^:]*)(?::\s*([\s\S]*))?$/.exec(source)!;
  const from =
    source === ''
      ? { kind: figure.value === null ? 'unknown' : 'entered' }
      : { kind: kind.trim().toLowerCase(), ...(note === undefined ? {} : { note }) };
  const checked = Source.safeParse(from);
  if (!checked.success)
    throw new Unreadable(
      `"${kind}" is no source. Write one of ${Source.shape.kind.options.join(', ')}, then a colon and a note.`,
    );
  return { value: figure.value, source: checked.data, ...(more === '' ? {} : (json(more) as object)) };
}

function json(text: string): unknown {
  const read = readJson(text);
  if (!read.ok) throw new Unreadable(`is ${read.problem}.`);
  return read.value;
}
