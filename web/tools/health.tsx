import { Box, Button, TextField, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { fromPasted, readHealth, type ToldHealth } from '@kymar/core/models';
import { format } from '@kymar/core/units';
import { HealthRead } from '../ui/health';
import { Fold } from '../ui/fold';

/** A drive's own counters, from a log page as a file or pasted. */
export function HealthReader() {
  const picker = useRef<HTMLInputElement>(null);
  const [told, setTold] = useState<ToldHealth | null>(null);
  const [text, setText] = useState('');
  const take = async (files: FileList | null) => {
    const file = files?.[0];
    if (!file) return;
    setText('');
    setTold(readHealth(new Uint8Array(await file.arrayBuffer()), await file.text()));
    if (picker.current) picker.current.value = '';
  };
  return (
    <Fold
      name="tools.health"
      about="a health page or a raw log page"
      title="What does the drive count?"
      aside={
        <Button size="small" onClick={() => picker.current?.click()}>
          Open a log page
        </Button>
      }
    >
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="Health log page"
        onChange={(e) => void take(e.target.files)}
      />
      <TextField
        fullWidth
        multiline
        maxRows={6}
        label="Or paste its counters"
        placeholder={'Data Units Written: 31,640,625\nPower On Hours: 7,218'}
        value={text}
        onChange={(e) => {
          setText(e.target.value.slice(0, 20_000));
          setTold(e.target.value.trim() === '' ? null : fromPasted(e.target.value));
        }}
        error={told?.ok === false}
        helperText={
          told?.ok === false
            ? told.problem
            : 'The raw 512 bytes of the NVMe health page, ATA device statistics, or lines in the standards’ field names.'
        }
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {told?.ok && (
        <Box sx={{ mt: 1 }}>
          <Typography variant="body2" color="textSecondary">
            From {told.counters.from}.{' '}
            {told.counters.written !== null && told.counters.powerOnHours
              ? `On average ${format((told.counters.written / told.counters.powerOnHours) * 24, 'B/day')} while switched on.`
              : ''}
          </Typography>
          <HealthRead of="page" counters={told.counters} />
        </Box>
      )}
    </Fold>
  );
}
