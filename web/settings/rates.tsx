import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { ExchangeRate } from '@kymar/core/choice';
import { calendarDay, numeral } from '@kymar/core/units';
import { setSetting, useSettings } from '../state/settings';
import { QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';

const CODE = /^[A-Z]{3}$/;
const NONE: readonly ExchangeRate[] = [];

/** What currencies are worth in each other: without a rate their prices stay apart. */
export function RatesPanel() {
  const rates = useSettings((s) => s.rates) ?? NONE;
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [rate, setRate] = useState<number | null>(null);
  const today = new Date().toISOString().slice(0, 10);
  const isWhole = CODE.test(from) && CODE.test(to) && from !== to && rate !== null && rate > 0;
  const add = () => {
    if (!isWhole) return;
    setSetting('rates', [
      ...rates.filter((r) => r.from !== from || r.to !== to || r.on !== today),
      { from, to, rate, on: today },
    ]);
    setRate(null);
  };
  const code = (label: string, value: string, onValue: (value: string) => void) => (
    <TextField
      label={label}
      value={value}
      onChange={(e) => onValue(e.target.value.trim().toUpperCase())}
      error={value !== '' && !CODE.test(value)}
      helperText={value !== '' && !CODE.test(value) ? 'Three letters, as EUR' : ' '}
      size="small"
      sx={{ width: 110 }}
    />
  );
  return (
    <Panel title="Currencies">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Prices in different currencies stay apart. With a rate, a part nobody has seen a price of in the job’s
        currency goes by its price in the other, and says so.
      </Typography>
      {rates.map((r) => (
        <Box
          key={`${r.from} ${r.to} ${r.on}`}
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            borderTop: 1,
            borderColor: 'divider',
            py: 0.25,
          }}
        >
          <Typography variant="body2" sx={{ flex: 1 }}>
            1 {r.from} = {numeral(r.rate)} {r.to}, on {calendarDay(new Date(`${r.on}T12:00`))}
          </Typography>
          <Button
            size="small"
            aria-label={`Remove the rate of ${r.from} in ${r.to}, ${r.on}`}
            onClick={() =>
              setSetting(
                'rates',
                rates.filter((one) => one !== r),
              )
            }
          >
            Remove
          </Button>
        </Box>
      ))}
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
        sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap', mt: 1.5 }}
      >
        {code('One', from, setFrom)}
        <QuantityField
          label="is worth today"
          dimension="number"
          optional
          value={rate}
          onValue={setRate}
          sx={{ width: 140 }}
        />
        {code('in', to, setTo)}
        <Button type="submit" variant="outlined" disabled={!isWhole} sx={{ mt: 0.25 }}>
          Add
        </Button>
      </Box>
    </Panel>
  );
}
