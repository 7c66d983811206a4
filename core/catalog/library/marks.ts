/** Which mark a table's decimals have: told by the figures that can be read one way only. */
export interface Marks {
  decimal: '.' | ',' | null;
  /** A figure that shows it; null where none does. */
  shown: string | null;
  /** A figure that could be read both ways; null where there is none. */
  doubtful: string | null;
}

const FIGURE = /\d[\d.,]{0,40}/g;

/** The decimal mark a single figure shows; `null` when it has none, `doubtful` when it may be either. */
function markOf(figure: string): '.' | ',' | 'doubtful' | null {
  const bare = figure.replace(/[.,]+$/, '');
  const [points, commas] = [bare.split('.').length - 1, bare.split(',').length - 1];
  if (points + commas === 0) return null;
  if (points > 0 && commas > 0) return bare.lastIndexOf('.') > bare.lastIndexOf(',') ? '.' : ',';
  const mark = points > 0 ? '.' : ',';
  const other = mark === '.' ? ',' : '.';
  if (points + commas > 1) return other;
  const [whole = '', rest = ''] = bare.split(mark);
  return rest.length === 3 && whole.length <= 3 && !whole.startsWith('0') ? 'doubtful' : mark;
}

/** Looks through the figures of a table. */
export function marksOf(cells: Iterable<string>): Marks {
  const shown: Record<'.' | ',', string | null> = { '.': null, ',': null };
  let doubtful: string | null = null;
  for (const cell of cells)
    for (const [figure] of cell.matchAll(FIGURE)) {
      const mark = markOf(figure);
      if (mark === 'doubtful') doubtful ??= cell.trim();
      else if (mark) shown[mark] ??= cell.trim();
    }
  const decimal = shown['.'] && !shown[','] ? '.' : shown[','] && !shown['.'] ? ',' : null;
  return { decimal, shown: decimal && shown[decimal], doubtful };
}

/** A cell with its figures written with a point and without marks between thousands. */
export const withPoint = (cell: string, decimal: '.' | ','): string =>
  cell.replace(FIGURE, (figure) => {
    const plain = figure.replaceAll(decimal === '.' ? ',' : '.', '');
    return decimal === '.' ? plain : plain.replace(',', '.');
  });

/** A figure with its marks so that it can be read one way only. */
export const unmistakable = (text: string): string =>
  text.replace(/(?<=\d),(?=\d{3}(?!\d))/g, '').replace(/(?<![\d.])(\d{1,3}\.\d{3})(?!\d)/g, '$10');
