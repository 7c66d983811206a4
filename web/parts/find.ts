import type { GridColDef } from '@mui/x-data-grid';
import type { PartKind, Part } from '@kymar/core/catalog/parts';
import { cellsOfPart } from './cells';

/** As it is compared: `4 TB` is `4tb`, `gen 4` is `gen4`, `×4` is `x4`. */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll('×', 'x')
    .replace(/(\d) (?=(?:[kmgtp]?b|gb\/s|mb\/s|rpm|m)\b)/g, '$1')
    .replace(/\b(gen|thunderbolt) (?=\d)/g, '$1');

type Shown = string | number | null | undefined;

/** What a part is found by: everything its row shows, as it shows it. */
function textOf(columns: readonly GridColDef[], part: Part): string {
  const cells = columns.map((column) => {
    const value = column.valueGetter?.(undefined as never, part, column, undefined as never) as Shown;
    const shown = column.valueFormatter?.(value as never, part, column, undefined as never) as Shown;
    return shown ?? value ?? '';
  });
  return plain(cells.join(' '));
}

const known = new WeakMap<Part, string>();

/** Whether a part's row holds all the words, in any column. */
export function matching(kind: PartKind, search: string): (part: Part) => boolean {
  const words = plain(search).split(/\s+/).filter(Boolean);
  if (words.length === 0) return () => true;
  const columns = cellsOfPart(kind) as GridColDef[];
  return (part) => {
    let text = known.get(part);
    if (text === undefined) known.set(part, (text = textOf(columns, part)));
    // A number begins where it stands: 4tb is not in 14tb.
    const tokens = text.split(/[\s,()]+/);
    return words.every((word) =>
      /^\d/.test(word) ? tokens.some((t) => t.startsWith(word)) : text.includes(word),
    );
  };
}
