/*
 * Spreadsheet programs run what begins like a formula. Where a person asks for it, such cells get an apostrophe in front; the first
 * heading bears one too, and that is how a reader knows to take them off again. Either way what is written is read back the same.
 */
const RUNS = /^[=+\-@\t\r']/;
const MARK = "'";

/** Rows with nothing in them that a spreadsheet program would run. */
export const safeRows = (rows: readonly (readonly string[])[]): string[][] =>
  rows.map((cells, line) => cells.map((cell, i) => ((line === 0 && i === 0) || RUNS.test(cell) ? MARK + cell : cell)));

/** Rows as they were before {@link safeRows}; other rows as they are. */
export function plainRows(rows: readonly (readonly string[])[]): string[][] {
  const marked = rows[0]?.[0]?.replace(/^\ufeff/, '').startsWith(MARK) ?? false;
  return rows.map((cells) => cells.map((cell) => (marked && cell.replace(/^\ufeff/, '').startsWith(MARK) ? cell.replace(/^\ufeff/, '').slice(1) : cell)));
}

/** Whether a cell holds a formula instead of its value. */
export const isFormula = (cell: string): boolean => /^[=@]/.test(cell) || /^[+-](?![\d.,\s])/.test(cell);
