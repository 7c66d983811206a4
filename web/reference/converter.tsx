import { Table, TableBody, TableCell, TableRow, TextField } from '@mui/material';
import { useState } from 'react';
import { convert } from '@kymar/core/reference';
import { Panel } from '../ui/panel';

/** A size or a rate in every unit of the trade. */
export function Converter() {
  const [text, setText] = useState('6 TB');
  const found = convert(text);
  return (
    <Panel title="Units">
      <TextField
        label="Size or rate"
        value={text}
        onChange={(e) => setText(e.target.value.slice(0, 60))}
        error={!found.ok}
        helperText={found.ok ? (found.note ?? '6 TB, 512 MiB, 10 Gb/s, 450 MB/s') : found.problem}
        sx={{ width: 320, maxWidth: '100%' }}
      />
      {found.ok && (
        <Table size="small" sx={{ mt: 1, maxWidth: 520 }}>
          <TableBody>
            {found.rows.map(({ name, value }) => (
              <TableRow key={name}>
                <TableCell component="th" scope="row">
                  {name}
                </TableCell>
                <TableCell align="right" sx={{ fontWeight: 600 }}>
                  {value}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Panel>
  );
}
