/*
 * Spreadsheet programs run what begins like a formula. Where a person asks for it, such cells get an apostrophe in front; the first
 * heading bears one too, and that is how a reader knows to take them off again. Either way what is written is read back the same.
 */
const RUNS = /^[=+\-@\t\r']/;
const MARK = "'";

/** Rows with nothing in them that a spreadsheet program would run. */
export const safeRows = (rows: readonly (readonly string[])[]): string[][] =>
  rows.map((cells, line) =>
    cells.map((cell, i) => ((line === 0 && i === 0) || RUNS.test(cell) ? MARK + cell : cell)),
  );

/** Rows as they were before {@link safeRows}; other rows as they are. */
export function plainRows(rows: readonly (readonly string[])[]): readonly (readonly string[])[] {
  const bare = (cell: string) => cell.replace(/^\ufeff/, '');
  if (!bare(rows[0]?.[0] ?? '').startsWith(MARK)) return rows;
  return rows.map((cells) => cells.map((cell) => (bare(cell).startsWith(MARK) ? bare(cell).slice(1) : cell)));
}

/** Whether a cell holds a formula instead of its value. */
export const isFormula = (cell: string): boolean => /^[=@]/.test(cell) || /^[+-](?![\d.,\s])/.test(cell);
