import { Autocomplete, Box, Button, TextField, Typography, type SxProps } from '@mui/material';
import { createContext, use, useState } from 'react';
import type * as z from 'zod';
import { chooseValue, Fact, middle, sourceWords, writeFact } from '@kymar/core/evidence';
import { isLinkId, linkById, LINKS } from '@kymar/core/catalog/links';
import { askedOf, format, UNIT_OF, type AskedColumn } from '@kymar/core/units';
import { newId } from '../state/id';
import { DateField } from './date';
import { FactField, NameField, QuantityField, WholeScope } from './field';
import { Pick } from './pick';
import { Small } from './small';
import { Columns, FEW } from './layout';
import { NARROW } from './narrow';

type Values = Record<string, unknown>;

/** A value that is a word or a number, as a word; nothing where it is neither. */
const wordOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';

/** Why a schema refuses a value, in words: what it must be, in the unit it is typed in. */
function refusal({ dimension }: AskedColumn, issue: z.core.$ZodIssue): string {
  const limit = (value: number | bigint) =>
    dimension ? format(Number(value), UNIT_OF[dimension]) : String(value);
  const own = !/^(Invalid|Too)/.test(issue.message);
  if (own) return issue.message;
  if (issue.code === 'too_small') return `must be at least ${limit(issue.minimum)}`;
  if (issue.code === 'too_big') return `must be at most ${limit(issue.maximum)}`;
  return issue.code === 'invalid_type' && issue.expected === 'int' ? 'must be a whole number' : issue.message;
}

interface FormProps<V> {
  /** Whose words are asked for. */
  of: z.ZodObject;
  values: V;
  onValues(values: V): void;
  /** Only these, in this order. */
  keys?: readonly (string & keyof V)[];
  /** How wide each is in its grid. */
  sx?: SxProps;
  /** What stands where nothing was said. */
  unsaid?: string;
  /** What speaks against a value beside its schema, in a sentence; null where nothing does. */
  refuse?(key: string, value: unknown): string | null;
}

/**
 * What a schema asks for, a field each, in the grid they stand in: names, units, limits and choices are the schema's. What it refuses is said and
 * not taken over.
 */
export function SchemaForm<V extends object>({ of, values, onValues, keys, refuse, ...rest }: FormProps<V>) {
  const asked = askedOf(of);
  const columns = keys ? keys.flatMap((key) => asked.find((c) => c.key === key) ?? []) : asked;
  const check = (next: Values, key: string): z.core.$ZodIssue | null => {
    const message = refuse?.(key, next[key]) ?? null;
    if (message !== null) return { code: 'custom', message, path: [key], input: next[key] };
    return (of.shape[key] as z.ZodType).safeParse(next[key]).error?.issues[0] ?? null;
  };
  const put = (next: Values) => onValues(next as V);
  return <FormFields columns={columns} values={values as Values} check={check} put={put} {...rest} />;
}

/** The part that a form is of: what names its rows by their ids is picked out of them. */
export const PartScope = createContext<Values>({});
const rowsUnder = (part: Values, key: string): [id: string, name: string][] =>
  (Array.isArray(part[key]) ? (part[key] as Values[]) : []).map((row) => [
    wordOf(row.id),
    wordOf(row.position ?? row.name ?? row.id),
  ]);

/** Fields of something within a form: `check` says why something would not do, `put` takes what does. */
export function FormFields({
  columns,
  values,
  check,
  put,
  sx,
  unsaid = NOT_KNOWN,
  sources = false,
}: {
  columns: readonly AskedColumn[];
  values: Values;
  check(next: Values, key: string): z.core.$ZodIssue | null;
  put(next: Values): void;
  sx?: SxProps | undefined;
  unsaid?: string | undefined;
  /** Where each figure is from is said beside it, and what others say. */
  sources?: boolean;
}) {
  const [wrong, setWrong] = useState<{ key: string; words: string } | null>(null);
  const withValue = (key: string, value: unknown) => {
    const { [key]: _, ...rest } = values;
    return value === undefined ? rest : { ...rest, [key]: value };
  };
  const set = (column: AskedColumn, value: unknown) => {
    const next = withValue(column.key, value);
    const issue = check(next, column.key);
    setWrong(issue && { key: column.key, words: refusal(column, issue) });
    if (!issue) put(next);
  };
  const wide = ['group', 'rows', 'structure'];
  // Of something with a capacity, a share is of that.
  const [outer, own] = [use(WholeScope), Fact.safeParse(values.capacity).data];
  const fields = columns.map((column) => (
    <Box key={column.key} sx={wide.includes(column.holds.type) ? { gridColumn: '1 / -1' } : sx}>
      <Field
        column={column}
        value={values[column.key]}
        onValue={(value) => set(column, value)}
        check={(value) => check(withValue(column.key, value), column.key)}
        unsaid={unsaid}
        sources={sources}
      />
      {wrong?.key === column.key && (
        <Typography variant="caption" color="error" role="alert">
          {wrong.words}. The old value stays.
        </Typography>
      )}
    </Box>
  ));
  return <WholeScope value={(own && middle(own)) ?? outer}>{fields}</WholeScope>;
}

/** Two fields beside each other. */
export const PAIRS = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
  [NARROW]: FEW,
};

const NONE: Fact = { value: null, source: { kind: 'unknown' } };
const NOT_KNOWN = 'not known';

function Field({
  column,
  value,
  onValue,
  check,
  unsaid,
  sources,
}: {
  column: AskedColumn;
  value: unknown;
  onValue(value: unknown): void;
  /** Why a value would not do; null where it does. */
  check(value: unknown): z.core.$ZodIssue | null;
  unsaid: string;
  sources: boolean;
}) {
  const refuse = (v: unknown) => {
    const issue = check(v);
    return issue && `${refusal(column, issue)}. The old value stays.`;
  };
  const { label, holds, dimension = 'count', of, bare, choices, absent, optional, nullable } = column;
  const empty = nullable && !optional ? null : undefined;
  const part = use(PartScope);
  switch (holds.type) {
    case 'fact':
      return (
        <FactWithOthers
          label={label}
          column={column}
          sources={sources}
          refuse={(v) => (v === null ? null : refuse({ value: v, source: { kind: 'entered' } }))}
          fact={(value ?? absent ?? NONE) as Fact}
          onFact={(fact) => {
            const isOut = fact.value === ((absent as Fact | undefined)?.value ?? null);
            onValue(isOut && !fact.others && (optional || nullable) ? empty : fact);
          }}
        />
      );
    case 'text':
      if (column.among) {
        const rows = rowsUnder(part, column.among);
        return (
          <OneOf
            column={{ ...column, choices: rows }}
            value={value}
            options={[
              ...new Set([...rows.map(([id]) => id), ...(value === undefined ? [] : [wordOf(value)])]),
            ]}
            unsaid={unsaid}
            onValue={(v) => onValue(v ?? empty)}
          />
        );
      }
      return optional ? (
        <TextField
          fullWidth
          label={label}
          value={value ?? ''}
          placeholder={unsaid}
          onChange={(e) => onValue(e.target.value.trim() === '' ? undefined : e.target.value)}
        />
      ) : (
        <NameField fullWidth label={label} value={value as string} onName={onValue} />
      );
    case 'day':
      return (
        <DateField
          fullWidth
          label={label}
          value={value as string | undefined}
          onDay={(day) => onValue(day ?? empty)}
        />
      );
    case 'number': {
      if (choices) {
        // What somebody's file says beside the usual stands among it.
        const usual = [...new Map([...choices, [value as number, wordsFor(column, value)]])] as [
          number,
          string,
        ][];
        const options = usual.sort(([a], [b]) => a - b);
        return <Pick fullWidth label={label} value={value as number} options={options} onValue={onValue} />;
      }
      return (
        <QuantityField
          fullWidth
          label={of ? `${label}, ${of}` : label}
          dimension={column.dimension ?? 'number'}
          {...(bare ? { bare } : {})}
          optional={optional || nullable}
          value={(value as number | null | undefined) ?? null}
          placeholder={unsaid}
          refuse={(v) => refuse(holds.whole ? Math.round(v) : v)}
          onValue={(v) => onValue(v === null ? empty : holds.whole ? Math.round(v) : v)}
        />
      );
    }
    case 'yesno':
      return (
        <OneOf
          column={{ ...column, choices: choices ?? YES_NO }}
          value={value}
          options={[true, false]}
          unsaid={unsaid}
          onValue={(v) => onValue(v ?? empty)}
        />
      );
    case 'choice':
      return (
        <OneOf
          column={column}
          value={value}
          options={holds.options}
          unsaid={unsaid}
          onValue={(v) => onValue(v ?? empty)}
        />
      );
    case 'list':
      return (
        <List
          column={column}
          value={(value as string[] | undefined) ?? []}
          onValue={(list) => onValue(list.length === 0 && optional ? undefined : list)}
        />
      );
    case 'group':
      return (
        <Box component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, m: 0, p: 1.25 }}>
          <Typography component="legend" variant="caption" color="textSecondary" sx={{ px: 0.5 }}>
            {label} {value === undefined ? `(${NOT_KNOWN})` : ''}
          </Typography>
          <Box sx={PAIRS}>
            <FormFields
              columns={holds.columns}
              values={(value as Values | undefined) ?? {}}
              sources={sources}
              check={check}
              put={(next) => onValue(Object.keys(next).length === 0 && optional ? undefined : next)}
            />
          </Box>
        </Box>
      );
    case 'rows':
      return (
        <Rows
          label={label}
          columns={holds.columns}
          list={(value as Values[] | undefined) ?? []}
          check={check}
          onList={(list) => onValue(list.length === 0 && optional ? undefined : list)}
        />
      );
    case 'structure':
      return (
        <Structure
          label={label}
          value={value}
          optional={optional}
          onValue={onValue}
          key={`${dimension}${JSON.stringify(value)?.length}`}
        />
      );
  }
}

/** A row that is sound by itself, to be filled in. */
function blank(columns: readonly AskedColumn[]): Values {
  const value = ({ key, holds, label }: AskedColumn): unknown => {
    if (holds.type === 'fact') return NONE;
    if (holds.type === 'choice') return holds.options[0];
    if (holds.type === 'list') return [holds.of?.[0] ?? 'usb-5'];
    if (holds.type === 'number') return 1;
    if (holds.type === 'yesno') return false;
    return key === 'id' ? newId('new') : `New ${label.toLowerCase()}`;
  };
  return Object.fromEntries(
    columns.filter((c) => !c.optional).map((c) => [c.key, c.nullable ? null : value(c)]),
  );
}

/** A list of things with properties of their own, each folded up until it is opened. */
function Rows({
  label,
  columns,
  list,
  check,
  onList,
}: {
  label: string;
  columns: readonly AskedColumn[];
  list: readonly Values[];
  check(list: readonly Values[]): z.core.$ZodIssue | null;
  onList(list: Values[]): void;
}) {
  const [open, setOpen] = useState<number | null>(null);
  const title = (row: Values) => wordOf(row.position ?? row.name ?? row.family ?? row.id);
  return (
    <Box component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, m: 0, p: 1.25 }}>
      <Typography component="legend" variant="caption" color="textSecondary" sx={{ px: 0.5 }}>
        {label} {list.length === 0 ? '(none)' : ''}
      </Typography>
      {list.map((row, i) => (
        <Box key={i} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.25 }}>
          <Box sx={{ display: 'flex', alignItems: 'center' }}>
            <Button
              size="small"
              aria-expanded={open === i}
              onClick={() => setOpen(open === i ? null : i)}
              sx={{ flex: 1, justifyContent: 'flex-start', color: 'text.primary' }}
            >
              {title(row)}
            </Button>
            <Button
              size="small"
              aria-label={`Remove ${title(row)}`}
              onClick={() => onList(list.filter((_, k) => k !== i))}
            >
              Remove
            </Button>
          </Box>
          {open === i && (
            <Box sx={{ py: 1 }}>
              <Box sx={PAIRS}>
                <FormFields
                  sources
                  columns={columns}
                  values={row}
                  check={(next) => check(list.map((other, k) => (k === i ? next : other)))}
                  put={(next) => onList(list.map((other, k) => (k === i ? next : other)))}
                />
              </Box>
            </Box>
          )}
        </Box>
      ))}
      <Button
        size="small"
        onClick={() => {
          onList([...list, blank(columns)]);
          setOpen(list.length);
        }}
      >
        Add one
      </Button>
    </Box>
  );
}

const YES_NO = [
  [true, 'yes'],
  [false, 'no'],
] as const;

/** What one of its values is called. */
const wordsFor = ({ choices, dimension }: AskedColumn, value: unknown): string =>
  choices?.find(([of]) => of === value)?.[1] ??
  (typeof value === 'number' && dimension ? format(value, UNIT_OF[dimension]) : wordOf(value));

function OneOf({
  column,
  value,
  options,
  unsaid,
  onValue,
}: {
  column: AskedColumn;
  value: unknown;
  options: readonly (string | number | boolean)[];
  unsaid: string;
  onValue(value: string | number | boolean | undefined): void;
}) {
  const { label, optional, nullable } = column;
  const shown = wordOf(value);
  const none = [
    '',
    <Box component="span" sx={{ color: 'text.secondary' }}>
      {unsaid}
    </Box>,
  ] as const;
  return (
    <Pick
      fullWidth
      label={label}
      value={shown}
      options={[
        ...(optional || nullable || shown === '' ? [none] : []),
        ...options.map((option) => [String(option), wordsFor(column, option)] as const),
      ]}
      onValue={(v) => onValue(options.find((option) => String(option) === v))}
    />
  );
}

function List({
  column,
  value,
  onValue,
}: {
  column: AskedColumn;
  value: string[];
  onValue(value: string[]): void;
}) {
  const { key, label, holds } = column;
  const links = ['modes', 'inner', 'outer', 'up'].includes(key);
  const rows = rowsUnder(use(PartScope), column.among ?? '');
  const ids = links ? LINKS.map((l) => l.id) : rows.map(([id]) => id);
  const of = (holds.type === 'list' && holds.of) || ids;
  const name = (id: string) =>
    rows.find(([row]) => row === id)?.[1] ??
    (links && isLinkId(id) ? linkById(id).name : wordsFor(column, id));
  if (key === 'ends')
    return (
      <Columns of="1fr 1fr" gap={1}>
        {[0, 1].map((i) => (
          <Pick
            key={i}
            label={i === 0 ? 'One end' : 'Other end'}
            value={value[i] ?? ''}
            options={of.map((end) => [end, end])}
            onValue={(end) => onValue(value.map((v, k) => (k === i ? end : v)))}
          />
        ))}
      </Columns>
    );
  return (
    <Autocomplete
      multiple
      size="small"
      options={[...of]}
      value={value}
      getOptionLabel={name}
      onChange={(_, list) => onValue(list)}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
}

/** A structure as JSON: taken over once it reads. */
function Structure({
  label,
  value,
  optional,
  onValue,
}: {
  label: string;
  value: unknown;
  optional: boolean;
  onValue(value: unknown): void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const text = draft ?? (value === undefined ? '' : JSON.stringify(value, null, 1));
  const take = () => {
    if (draft === null) return;
    try {
      onValue(draft.trim() === '' && optional ? undefined : JSON.parse(draft));
      setWrong(null);
      setDraft(null);
    } catch (error) {
      setWrong(`No JSON yet: ${(error as Error).message}`);
    }
  };
  return (
    <TextField
      fullWidth
      multiline
      maxRows={8}
      label={label}
      value={text}
      placeholder={NOT_KNOWN}
      error={wrong !== null}
      helperText={wrong ?? 'As JSON; taken over when you leave the field.'}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={take}
      slotProps={{
        htmlInput: { spellCheck: false, style: { fontSize: '0.8125rem' } },
        inputLabel: { shrink: true },
      }}
    />
  );
}

/** A figure with its source, and what other sources say beside it, any of which can be chosen with a reason. */
function FactWithOthers({
  label,
  column: { dimension = 'count', unit, bare },
  fact,
  sources,
  refuse,
  onFact,
}: {
  label: string;
  column: AskedColumn;
  fact: Fact;
  sources: boolean;
  refuse(value: Fact['value']): string | null;
  onFact(fact: Fact): void;
}) {
  const at = unit ?? UNIT_OF[dimension];
  const others = sources ? (fact.others ?? []) : [];
  const conditions = ({ at: c }: Pick<Fact, 'at'>) =>
    c
      ? [
          c.block ? (c.block >= 2 ** 20 ? `${c.block / 2 ** 20} MiB` : `${c.block / 1024} KiB`) : '',
          c.depth ? `depth ${c.depth}` : '',
          c.fill !== undefined ? `${Math.round(c.fill * 100)} % full` : '',
        ]
          .filter(Boolean)
          .join(', ')
      : '';
  return (
    <>
      <FactField
        fullWidth
        label={label}
        dimension={dimension}
        {...(unit ? { unit } : {})}
        {...(bare ? { bare } : {})}
        refuse={refuse}
        fact={fact}
        onFact={onFact}
        {...(sources && {
          helperText: [sourceWords(fact.source), conditions(fact)].filter(Boolean).join('; '),
        })}
      />
      {others.map((other, i) => (
        <Typography key={i} variant="caption" color="textSecondary" component="div" sx={{ pl: 1.75 }}>
          {writeFact(other.value, at)} (
          {[sourceWords(other.source), conditions(other)].filter(Boolean).join('; ')}){' '}
          <Small onClick={() => onFact(chooseValue(fact, i, ''))}>Use this</Small>
        </Typography>
      ))}
      {others.length > 0 && (
        <TextField
          fullWidth
          variant="standard"
          placeholder="Why this one?"
          value={fact.why ?? ''}
          onChange={(e) => onFact(withReason(fact, e.target.value.slice(0, 200)))}
          slotProps={{ htmlInput: { 'aria-label': `Why this ${label}` } }}
          sx={{ px: 1.75, '& input': { fontSize: '0.8125rem' } }}
        />
      )}
    </>
  );
}

function withReason({ why: _, ...fact }: Fact, why: string): Fact {
  return why === '' ? fact : { ...fact, why };
}
