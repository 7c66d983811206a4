import { Table, TableBody, TableCell, TableHead, TableRow, type SxProps, type Theme } from '@mui/material';
import type { ReactNode } from 'react';

/** A column: its head, and what stands in it of a row. */
export interface Column<T> {
  head: ReactNode;
  cell(row: T, i: number): ReactNode;
  align?: 'right';
  /** It names its row. */
  isName?: boolean;
  /** Of its cells, and of its head too where that is said. */
  sx?: SxProps<Theme> | undefined;
  headSx?: SxProps<Theme> | undefined;
}

/** Stays in one line. */
export const oneLine = { whiteSpace: 'nowrap' } as const;

type Make<T> = (head: ReactNode, cell: Column<T>['cell'], sx?: Column<T>['sx']) => Column<T>;

/**
 * A small table, a row for each of a list; on a phone a card for each where it has many columns.
 * @param columns made by `left` of words, by `right` of numbers
 * @param heads whether the columns are named
 * @param rowSx of a row that is marked
 */
export function Cells<T>({
  of,
  columns,
  keyOf = (_, i) => i,
  heads = true,
  label,
  rowSx,
  sx,
  sticky = false,
}: {
  of: readonly T[];
  columns(make: { left: Make<T>; right: Make<T> }): readonly Column<T>[];
  keyOf?: (row: T, i: number) => string | number;
  heads?: boolean;
  label?: string;
  rowSx?: (row: T, i: number) => SxProps<Theme> | undefined;
  sx?: SxProps<Theme>;
  sticky?: boolean;
}) {
  const left: Make<T> = (head, cell, own) => ({ head, cell, sx: own });
  const list = columns({ left, right: (...of) => ({ ...left(...of), align: 'right' }) });
  return (
    <Table
      size="small"
      {...(heads && list.length > 3 && { 'data-cards': true })}
      aria-label={label}
      stickyHeader={sticky}
      {...(sx && { sx })}
    >
      {heads && (
        <TableHead>
          <TableRow>
            {list.map(({ head, align, headSx }, k) => (
              <TableCell key={k} {...(align && { align })} {...(headSx && { sx: headSx })}>
                {head}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
      )}
      <TableBody>
        {of.map((row, i) => {
          const marked = rowSx?.(row, i);
          return (
            <TableRow key={keyOf(row, i)} {...(marked && { sx: marked })}>
              {list.map(({ head, cell, align, isName, sx: own }, k) => (
                <TableCell
                  key={k}
                  {...(k > 0 && typeof head === 'string' && { 'data-head': head })}
                  {...(isName && { component: 'th', scope: 'row' })}
                  {...(align && { align })}
                  {...(own && { sx: own })}
                >
                  {cell(row, i)}
                </TableCell>
              ))}
            </TableRow>
          );
        })}
      </TableBody>
    </Table>
  );
}
