import { TextField } from '@mui/material';
import { useState } from 'react';
import type { Money } from '@kymar/core/job';
import { moneyWords, numeral, readNumber } from '@kymar/core/units';
import { useDraft } from './field';
import { Columns } from './layout';
import { Pick } from './pick';

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

const SIGNS: Record<string, string> = { '€': 'EUR', $: 'USD', '£': 'GBP' };
const MOST = 1e9;

/** An amount as people write it, with or without its currency: `450`, `1,200 EUR`, `€ 99`. Null where it is none. */
export function readMoney(text: string, usual: string): Money | null {
  const [, before, amount = '', after] =
    /^([€$£]|[a-z]{3})?\s*([^a-z€$£]+?)\s*([€$£]|[a-z]{3})?$/i.exec(text.trim()) ?? [];
  const value = readNumber(amount);
  if (value === undefined || value < 0 || value > MOST || (before && after)) return null;
  const written = before ?? after;
  const currency = written ? (SIGNS[written] ?? written.toUpperCase()) : usual;
  return { amount: value, currency };
}

/** An amount of money, and its currency. @param usual the currency while no amount stands there */
export function MoneyField({
  label,
  value,
  usual = 'EUR',
  placeholder,
  onValue,
}: {
  label: string;
  value: Money | undefined;
  usual?: string | undefined;
  placeholder?: string;
  onValue(value: Money | undefined): void;
}) {
  const { text: draft, before, put } = useDraft(value, label);
  const [chosen, setChosen] = useState(usual);
  const currency = value?.currency ?? chosen;
  const read = draft === null || draft.trim() === '' ? null : readMoney(draft, currency);
  const isWrong = draft !== null && draft.trim() !== '' && read === null;
  return (
    <Columns of="minmax(0, 3fr) minmax(0, 2fr)" gap={1}>
      <TextField
        label={label}
        placeholder={placeholder}
        value={draft ?? (value ? numeral(value.amount, 2) : '')}
        error={isWrong}
        helperText={
          isWrong
            ? 'Is no amount of money; write 450 or 1,200.'
            : read
              ? moneyWords(read.amount, read.currency)
              : undefined
        }
        onChange={(e) => {
          const typed = e.target.value;
          const gives = typed.trim() === '' ? undefined : (readMoney(typed, currency) ?? before);
          put(typed, gives, typed.trim() === '' || readMoney(typed, currency) !== null);
          onValue(gives);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Pick
        label="Currency"
        value={currency}
        options={[...new Set([...CURRENCIES, currency])].map((code) => [code, code])}
        onValue={(v) => {
          setChosen(v);
          if (value) onValue({ ...value, currency: v });
        }}
      />
    </Columns>
  );
}
