import { Box, MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import type { Money } from '@kymar/core/job';
import { readNumber } from '@kymar/core/units';

const CURRENCIES = [
  'EUR',
  'USD',
  'GBP',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'CAD',
  'AUD',
  'NZD',
  'JPY',
  'INR',
];

/** What the job may cost, and in which currency. */
export function Budget({
  budget,
  onBudget,
}: {
  budget: Money | undefined;
  onBudget(budget: Money | undefined): void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [chosen, setChosen] = useState('EUR');
  const currency = budget?.currency ?? chosen;
  const amount = draft === null ? null : (readNumber(draft) ?? null);
  const wrong = draft !== null && draft.trim() !== '' && (amount === null || amount < 0 || amount > 1e9);
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 2fr)' }}>
      <TextField
        label="Budget"
        placeholder="not asked"
        value={draft ?? (budget ? String(budget.amount) : '')}
        error={wrong}
        helperText={wrong ? 'Is no amount of money; write 450 or 1,200.' : undefined}
        onChange={(e) => {
          const text = e.target.value;
          setDraft(text);
          const value = readNumber(text);
          if (text.trim() === '') onBudget(undefined);
          else if (value !== undefined && value >= 0 && value <= 1e9) onBudget({ amount: value, currency });
        }}
        onBlur={() => !wrong && setDraft(null)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        select
        label="Currency"
        value={currency}
        onChange={(e) => {
          setChosen(e.target.value);
          if (budget) onBudget({ ...budget, currency: e.target.value });
        }}
      >
        {[...new Set([...CURRENCIES, currency])].map((code) => (
          <MenuItem key={code} value={code}>
            {code}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
