import { TextField } from '@mui/material';
import { useDraft } from './field';

/** A day as it is kept: a year has four digits. */
const DAY = /^\d{4}-\d\d-\d\d$/;

/** A field for a day. One that cannot be stays as it was typed, marked, and is not taken. */
export function DateField({
  label,
  value,
  onDay,
  fullWidth = false,
}: {
  label: string;
  fullWidth?: boolean;
  /** `2026-11-30`, or nothing. */
  value: string | null | undefined;
  onDay(day: string | null): void;
}) {
  const is = value || null;
  const { text, before, put } = useDraft(is, label);
  const isWrong = text !== null && text !== '' && !DAY.test(text);
  return (
    <TextField
      type="date"
      fullWidth={fullWidth}
      label={label}
      value={text ?? is ?? ''}
      error={isWrong}
      helperText={isWrong ? 'A year has four digits.' : undefined}
      onChange={({ target: { value: typed } }) => {
        const gives = typed === '' ? null : DAY.test(typed) ? typed : before;
        put(typed, gives, typed === '' || DAY.test(typed));
        if (gives !== is) onDay(gives);
      }}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: '9999-12-31' } }}
    />
  );
}
