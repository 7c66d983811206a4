import { AddIcon, DeleteOutlineIcon } from '../ui/icons';
import { Box, Button, IconButton } from '@mui/material';
import type { ReactNode } from 'react';
import { NARROW } from '../ui/narrow';
import { Stack } from '../ui/layout';

/** What is entered several times, with what keeps it apart from the others. */
interface Keyed {
  key: number;
}

/** Figures that are entered several times: a line each, taken out or one more put in. */
export function Rows<Row extends Keyed>({
  rows,
  onRows,
  what,
  widths,
  least,
  most,
  next = (last) => last,
  children,
}: {
  rows: readonly Row[];
  onRows(rows: Row[]): void;
  /** What a line is, in a word. */
  what: string;
  /** Of its fields, as columns of a grid. */
  widths: string;
  least: number;
  most: number;
  /** What one more begins with, from the last; absent: the same. */
  next?: (last: Row) => Row;
  /** The fields of a line. @param i its number, from 1 */
  children(row: Row, i: number, set: (part: Partial<Row>) => void): ReactNode;
}) {
  const set = (key: number) => (part: Partial<Row>) =>
    onRows(rows.map((row) => (row.key === key ? { ...row, ...part } : row)));
  const add = () =>
    onRows([...rows, { ...next(rows.at(-1)!), key: Math.max(...rows.map(({ key }) => key)) + 1 }]);
  return (
    <>
      <Stack gap={1}>
        {rows.map((row, i) => (
          <Box
            key={row.key}
            sx={{
              display: 'grid',
              gridTemplateColumns: `${widths} 36px`,
              [NARROW]: { gridTemplateColumns: 'repeat(auto-fill, minmax(140px, 1fr))' },
              gap: 1,
              alignItems: 'start',
            }}
          >
            {children(row, i + 1, set(row.key))}
            <IconButton
              size="small"
              disabled={rows.length <= least}
              aria-label={`Remove ${what} ${i + 1}`}
              onClick={() => onRows(rows.filter(({ key }) => key !== row.key))}
            >
              <DeleteOutlineIcon fontSize="small" />
            </IconButton>
          </Box>
        ))}
      </Stack>
      <Button
        size="small"
        startIcon={<AddIcon />}
        sx={{ mt: 0.5 }}
        disabled={rows.length >= most}
        onClick={add}
      >
        Another {what}
      </Button>
    </>
  );
}
