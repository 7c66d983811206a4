import { TextField } from '@mui/material';
import { useState } from 'react';
import { readBudget, readMoney, type Budget } from '@kymar/core/job';
import { moneyWords, numeral } from '@kymar/core/units';
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

/** What is understood of it. */
const understood = ({ amount, currency, pieces }: Budget): string =>
  moneyWords(amount, currency) +
  (pieces ? ` for ${pieces}: ${moneyWords(Math.round((100 * amount) / pieces) / 100, currency)} each` : '');

/**
 * An amount of money, and its currency.
 * @param usual the currency while no amount stands there
 * @param forSeveral whether it may be for several alike
 */
export function MoneyField({
  label,
  value,
  usual = 'EUR',
  placeholder,
  forSeveral = false,
  onValue,
}: {
  label: string;
  value: Budget | undefined;
  usual?: string | undefined;
  placeholder?: string;
  forSeveral?: boolean;
  onValue(value: Budget | undefined): void;
}) {
  const { text: draft, before, put } = useDraft(value, label);
  const [chosen, setChosen] = useState(usual);
  const currency = value?.currency ?? chosen;
  const reading = forSeveral ? readBudget : readMoney;
  const read = draft === null || draft.trim() === '' ? null : reading(draft, currency);
  const isWrong = draft !== null && draft.trim() !== '' && read === null;
  return (
    <Columns of="minmax(0, 3fr) minmax(0, 2fr)" gap={1}>
      <TextField
        label={label}
        placeholder={placeholder}
        value={
          draft ?? (value ? `${numeral(value.amount, 2)}${value.pieces ? ` for ${value.pieces}` : ''}` : '')
        }
        error={isWrong}
        helperText={
          isWrong ? 'Is no amount of money; write 450 or 1,200.' : read ? understood(read) : undefined
        }
        onChange={(e) => {
          const typed = e.target.value;
          const gives = typed.trim() === '' ? undefined : (reading(typed, currency) ?? before);
          put(typed, gives, typed.trim() === '' || reading(typed, currency) !== null);
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
