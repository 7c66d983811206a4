import { TextField, type TextFieldProps } from '@mui/material';
import { useState } from 'react';
import { parseFact, writeFact, type Fact } from '@kymar/core/evidence';
import { format, parseQuantity, type Dimension, type Unit } from '@kymar/core/units';

const UNIT: Record<Dimension, Unit> = { bytes: 'B', rate: 'B/s', time: 's', count: 'count', perDay: 'B/day', times: 'per day', percent: '%' };

type Base = Omit<TextFieldProps, 'value' | 'onChange' | 'label'> & { label: string; dimension: Dimension };

/** A field for a quantity as people type it; `null` where nothing is wished. */
export function QuantityField({ value, onValue, dimension, optional = false, helperText, ...rest }: Base & { value: number | null; onValue(value: number | null): void; optional?: boolean }) {
  const [draft, setDraft] = useState<string | null>(null);
  const written = value === null ? '' : format(value, UNIT[dimension], 6);
  const text = draft ?? written;
  const read = text.trim() === '' && optional ? null : parseQuantity(text, dimension);
  const wrong = draft !== null && read !== null && !read.ok;
  return (
    <TextField
      {...rest}
      value={text}
      error={wrong}
      helperText={wrong && !read.ok ? read.problem : draft !== null && read?.ok ? `${read.understood}${read.note ? `. ${read.note}` : ''}` : helperText}
      onChange={(event) => {
        setDraft(event.target.value);
        const now = event.target.value.trim() === '' && optional ? null : parseQuantity(event.target.value, dimension);
        if (now === null) onValue(null);
        else if (now.ok) onValue(now.value);
      }}
      onBlur={() => !wrong && setDraft(null)}
    />
  );
}

/** A field for a property that may be not known or a range. What is typed counts as entered by hand. */
export function FactField({ fact, onFact, dimension, helperText, unit = UNIT[dimension], ...rest }: Base & { fact: Fact; onFact(fact: Fact): void; unit?: Unit }) {
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? writeFact(fact.value, unit);
  const read = parseFact(text, dimension);
  const wrong = draft !== null && !read.ok;
  return (
    <TextField
      {...rest}
      value={text}
      error={wrong}
      helperText={!read.ok ? read.problem : draft !== null ? `${read.understood}${read.note ? `. ${read.note}` : ''}` : helperText}
      onFocus={(event) => event.target.select()}
      onChange={(event) => {
        setDraft(event.target.value);
        const now = parseFact(event.target.value, dimension);
        if (now.ok) onFact({ value: now.value, source: now.value === null ? { kind: 'unknown' } : { kind: 'entered' } });
      }}
      onBlur={() => !wrong && setDraft(null)}
    />
  );
}

/** A field for a name that must not be empty: an empty one is said and not taken over. */
export function NameField({ value, onName, most = 120, ...rest }: Omit<TextFieldProps, 'value' | 'onChange'> & { value: string; onName(name: string): void; most?: number }) {
  const [draft, setDraft] = useState<string | null>(null);
  const empty = draft !== null && draft.trim() === '';
  return (
    <TextField
      {...rest}
      value={draft ?? value}
      error={empty}
      helperText={empty ? `Empty: “${value}” is kept.` : rest.helperText}
      onChange={(event) => {
        const text = event.target.value.slice(0, most);
        setDraft(text);
        if (text.trim() !== '') onName(text);
      }}
      onBlur={() => setDraft(null)}
    />
  );
}
