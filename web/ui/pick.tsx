import { MenuItem, TextField, type TextFieldProps } from '@mui/material';
import type { ReactNode } from 'react';

type Option<T> = readonly [value: T, words: ReactNode];

/**
 * One of a few, each with its words.
 * @param options in their order; one with the value `''` stands for nothing said
 * @param words of each value, where their order is that of the table
 */
export function Pick<T extends string | number>({
  value,
  words = {},
  options = Object.entries<ReactNode>(words) as unknown as readonly Option<T>[],
  onValue,
  slotProps,
  ...rest
}: Omit<TextFieldProps, 'select' | 'value' | 'onChange' | 'children'> & {
  value: T;
  options?: readonly Option<NoInfer<T>>[];
  words?: Readonly<Record<string, ReactNode>>;
  onValue(value: NoInfer<T>): void;
}) {
  const shown = { select: { displayEmpty: true }, inputLabel: { shrink: true } };
  return (
    <TextField
      select
      value={value}
      onChange={(e) => onValue(e.target.value as T)}
      slotProps={{ ...(options.some(([of]) => of === '') && shown), ...slotProps }}
      {...rest}
    >
      {options.map(([of, said]) => (
        <MenuItem key={of} value={of} sx={{ whiteSpace: 'normal' }}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
}
