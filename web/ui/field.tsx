import { TextField, type TextFieldProps } from '@mui/material';
import { createContext, useContext, useEffect, useRef, useState } from 'react';
import { parseFact, typedOver, writeFact, type Fact } from '@kymar/core/evidence';
import { format, parseQuantity, UNIT_OF as UNIT, type Dimension, type Unit } from '@kymar/core/units';
import { useWrong } from './entries';

type Base = Omit<TextFieldProps, 'value' | 'onChange' | 'label'> & {
  label: string;
  dimension: Dimension;
  /** The unit a bare number is in; absent: GB of sizes, else the dimension's own. */
  bare?: string;
};
/** B of the drive that percentages around here are of; absent where nobody knows: a size may be typed where a share is asked. */
export const WholeScope = createContext<number | undefined>(undefined);

const BARE: Partial<Record<Dimension, string>> = { bytes: 'GB' };

/**
 * What was typed into a field, for as long as the value is the one it gave: it stays after leaving the field, so that nothing on the page
 * moves under the pointer, and gives way to a value from elsewhere. `before` is the value from before it was typed: what cannot be read
 * gives that one back, not what its beginning could be read as ("3 p" of "3 parsecs" is 3 PB). What cannot be read stays even when the view
 * is left, where the field stands in a scope, and what goes by it waits.
 */
export function useDraft<T>(
  value: T,
  label: string,
): { text: string | null; before: T; put(text: string, gave: T, understood: boolean): void } {
  const { wrong, keep } = useWrong(label);
  const now = JSON.stringify(value);
  const [draft, setDraft] = useState<{ text: string; gave: string; before: T } | null>(() =>
    wrong ? { text: wrong.text, gave: wrong.over, before: value } : null,
  );
  const own = draft?.gave === now ? draft : null;
  const before = own ? own.before : value;
  const isOver = wrong !== undefined && wrong.over !== now;
  const forget = useRef(keep);
  useEffect(() => {
    forget.current = keep;
  });
  useEffect(() => {
    if (isOver) forget.current(null);
  }, [isOver]);
  return {
    text: own?.text ?? null,
    before,
    put(text, gave, understood) {
      const over = JSON.stringify(gave);
      setDraft({ text, gave: over, before });
      keep(understood ? null : { label, text, over });
    },
  };
}

const meaning = (read: { understood: string; note?: string }) =>
  `${read.understood}${read.note ? `. ${read.note}` : ''}`;

/** A field for a quantity as people type it; `null` where there is none. */
export function QuantityField({
  value,
  onValue,
  dimension,
  optional = false,
  bare = BARE[dimension],
  refuse,
  helperText,
  ...rest
}: Base & {
  value: number | null;
  onValue(value: number | null): void;
  optional?: boolean;
  /** What speaks against a value, in a sentence; null where it can be stored. */
  refuse?: (value: number) => string | null;
}) {
  const { text: draft, before, put } = useDraft(value, rest.label);
  const whole = useContext(WholeScope);
  const text = draft ?? (value === null ? '' : format(value, UNIT[dimension], 6));
  const parse = (typed: string) => {
    if (typed.trim() === '' && optional) return null;
    const read = parseQuantity(typed, dimension, bare, whole);
    const problem = read.ok ? (refuse?.(read.value) ?? null) : null;
    return problem === null ? read : { ok: false as const, problem };
  };
  const read = draft === null ? null : parse(draft);
  return (
    <TextField
      helperText={read === null ? helperText : read.ok ? meaning(read) : read.problem}
      error={read !== null && !read.ok}
      {...rest}
      value={text}
      onChange={(event) => {
        const typed = event.target.value;
        const now = parse(typed);
        const gives = now === null ? null : now.ok ? now.value : before;
        put(typed, gives, now?.ok !== false);
        if (gives !== value) onValue(gives);
      }}
    />
  );
}

/** A field for a property that may be not known or a range. What is typed counts as entered by hand. */
export function FactField({
  fact,
  onFact,
  dimension,
  helperText,
  unit = UNIT[dimension],
  bare = BARE[dimension],
  refuse,
  also,
  ...rest
}: Base & {
  fact: Fact;
  /** @param text as typed: what else it says is read from that */
  onFact(fact: Fact, text: string): void;
  /** Reads what says more than the figure that is asked for; null where it does not. */
  also?: (text: string) => { value: Fact['value']; understood: string } | null;
  unit?: Unit;
  /** What speaks against a value, in a sentence; null where it can be stored. */
  refuse?: (value: Fact['value']) => string | null;
}) {
  const { text: draft, before, put } = useDraft(fact, rest.label);
  const whole = useContext(WholeScope);
  const parse = (typed: string) => {
    const more = also?.(typed);
    const read = more ? { ok: true as const, ...more } : parseFact(typed, dimension, bare, whole);
    const problem = read.ok ? (refuse?.(read.value) ?? null) : null;
    return problem === null ? read : { ok: false as const, problem };
  };
  const read = draft === null ? null : parse(draft);
  return (
    <TextField
      helperText={read === null ? helperText : read.ok ? meaning(read) : read.problem}
      error={read !== null && !read.ok}
      {...rest}
      value={draft ?? writeFact(fact.value, unit)}
      onFocus={(event) => event.target.select()}
      onChange={(event) => {
        const typed = event.target.value;
        const now = parse(typed);
        const isNew = now.ok && JSON.stringify(now.value) !== JSON.stringify(before.value);
        const gives = isNew ? typedOver(before, now.value) : before;
        put(typed, gives, now.ok);
        if (JSON.stringify(gives) !== JSON.stringify(fact)) onFact(gives, typed);
      }}
    />
  );
}

/** A field for a name that must not be empty: an empty one is said and not taken over. */
export function NameField({
  value,
  onName,
  most = 120,
  ...rest
}: Omit<TextFieldProps, 'value' | 'onChange'> & {
  value: string;
  onName(name: string): void;
  most?: number;
}) {
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
