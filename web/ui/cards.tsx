import { Box } from '@mui/material';
import type { ReactNode } from 'react';
import type { GridColDef, GridRenderCellParams, GridValidRowModel } from '@mui/x-data-grid';

/** What a column shows of a row. */
function shownOf<R extends GridValidRowModel>(
  column: GridColDef<R>,
  params: GridRenderCellParams<R>,
): ReactNode {
  const { row, api } = params;
  const grid = { current: api };
  const raw = row[column.field] as never;
  const value = (column.valueGetter ? column.valueGetter(raw, row, column, grid) : raw) as never;
  if (column.renderCell)
    return column.renderCell({ ...params, field: column.field, value, colDef: column as never });
  return (column.valueFormatter ? column.valueFormatter(value, row, column, grid) : value) as ReactNode;
}

/** On a phone a row is a card: its name, and below it what the other columns show, each with its head. */
export function asCards<R extends GridValidRowModel>([
  first,
  ...others
]: readonly GridColDef<R>[]): GridColDef<R>[] {
  if (!first) return [];
  return [
    {
      ...first,
      flex: 1,
      minWidth: 0,
      renderCell: (params) => (
        <Box sx={{ py: 1, lineHeight: 1.35, whiteSpace: 'normal', overflowWrap: 'anywhere', minWidth: 0 }}>
          <Box sx={{ fontWeight: 600 }}>{shownOf(first, params as never)}</Box>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5 }}>
            {others.map((column) => {
              const shown = shownOf(column, params as never);
              return shown === '' || shown === null || shown === undefined ? null : (
                <span key={column.field}>
                  <Box component="span" sx={{ color: 'text.secondary', fontSize: '0.8125rem', mr: 0.5 }}>
                    {column.headerName}
                  </Box>
                  {shown}
                </span>
              );
            })}
          </Box>
        </Box>
      ),
    },
  ];
}
