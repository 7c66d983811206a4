import { TextField } from '@mui/material';
import { useState } from 'react';
import { convert } from '@kymar/core/reference';
import { Cells } from '../ui/cells';
import { Fold } from '../ui/fold';

/** A size or a rate in every unit of the trade. */
export function Converter() {
  const [text, setText] = useState('6 TB');
  const found = convert(text);
  return (
    <Fold name="tools.converter" usual about="bytes and bits, binary and decimal" title="Units">
      <TextField
        label="Size or rate"
        value={text}
        onChange={(e) => setText(e.target.value.slice(0, 60))}
        error={!found.ok}
        helperText={found.ok ? (found.note ?? '6 TB, 512 MiB, 10 Gb/s, 450 MB/s') : found.problem}
        sx={{ width: 320, maxWidth: '100%' }}
      />
      {found.ok && (
        <Cells
          of={found.rows}
          keyOf={({ name }) => name}
          heads={false}
          sx={{ mt: 1, maxWidth: 520 }}
          columns={({ left, right }) => [
            { ...left('', ({ name }) => name), isName: true },
            right('', ({ value }) => value, { fontWeight: 600 }),
          ]}
        />
      )}
    </Fold>
  );
}
