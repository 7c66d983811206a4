import { Autocomplete, Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { chooseValue, sourceWords, writeFact, type Fact } from '@kymar/core/evidence';
import { columnsOf, type PartColumn } from '@kymar/core/catalog/library';
import { isLinkId, linkById, LINKS } from '@kymar/core/catalog/links';
import { PART_KINDS, type PartKind, type PartOf } from '@kymar/core/catalog/parts';
import { UNIT_OF } from '@kymar/core/units';
import { newId } from '../state/id';
import { FactField, NameField, QuantityField } from './field';
import { Small } from './small';

type Values = Record<string, unknown>;

interface Props<K extends PartKind> {
  kind: K;
  part: PartOf[K];
  onPart(part: PartOf[K]): void;
  /** Keys that are set elsewhere. */
  without?: readonly string[];
}

/** A value that is a word or a number, as a word; nothing where it is neither. */
const wordOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';

/** All of a part's properties with their sources, each to be changed. What does not make a sound part is said and not taken over. */
export function PartSheet<K extends PartKind>({ kind, part, onPart, without = [] }: Props<K>) {
  const [problem, setProblem] = useState<{ key: string; words: string } | null>(null);
  const set = (key: string, value: unknown) => {
    const { [key]: _, ...rest } = part as Values;
    const read = PART_KINDS[kind].safeParse(value === undefined ? rest : { ...rest, [key]: value });
    setProblem(read.success ? null : { key, words: read.error.issues[0]!.message });
    if (read.success) onPart(read.data as PartOf[K]);
  };
  const columns = columnsOf(kind).filter((c) => c.key !== 'id' && !without.includes(c.key));
  return <Fields columns={columns} values={part} set={set} problem={problem} />;
}

function Fields({
  columns,
  values,
  set,
  problem,
}: {
  columns: readonly PartColumn[];
  values: Values;
  set(key: string, value: unknown): void;
  problem?: { key: string; words: string } | null;
}) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))' }}>
      {columns.map((column) => (
        <Box
          key={column.key}
          sx={
            ['group', 'rows', 'structure'].includes(column.holds.type) ? { gridColumn: '1 / -1' } : undefined
          }
        >
          <Field column={column} value={values[column.key]} onValue={(value) => set(column.key, value)} />
          {problem?.key === column.key && (
            <Typography variant="caption" color="error" role="alert">
              {problem.words}. The old value stays.
            </Typography>
          )}
        </Box>
      ))}
    </Box>
  );
}

const NONE: Fact = { value: null, source: { kind: 'unknown' } };
const NOT_KNOWN = 'not known';

function Field({
  column,
  value,
  onValue,
}: {
  column: PartColumn;
  value: unknown;
  onValue(value: unknown): void;
}) {
  const { label, holds, dimension = 'count', of, optional, nullable } = column;
  const empty = nullable && !optional ? null : undefined;
  switch (holds.type) {
    case 'fact':
      return (
        <FactWithOthers
          label={label}
          column={column}
          fact={(value as Fact | null | undefined) ?? NONE}
          onFact={(fact) =>
            onValue(fact.value === null && !fact.others && (optional || nullable) ? empty : fact)
          }
        />
      );
    case 'text':
      return optional ? (
        <TextField
          fullWidth
          label={label}
          value={value ?? ''}
          placeholder={NOT_KNOWN}
          onChange={(e) => onValue(e.target.value.trim() === '' ? undefined : e.target.value)}
        />
      ) : (
        <NameField fullWidth label={label} value={value as string} onName={onValue} />
      );
    case 'number':
      return (
        <QuantityField
          fullWidth
          label={of ? `${label}, ${of}` : label}
          dimension={column.dimension ?? 'number'}
          optional={optional}
          value={(value as number | undefined) ?? null}
          placeholder={NOT_KNOWN}
          onValue={(v) => onValue(v ?? undefined)}
        />
      );
    case 'yesno':
      return (
        <Select
          label={label}
          value={value === undefined || value === null ? '' : value ? 'yes' : 'no'}
          options={['yes', 'no']}
          optional={optional}
          onValue={(v) => onValue(v === '' ? undefined : v === 'yes')}
        />
      );
    case 'choice':
      return (
        <Select
          label={label}
          value={wordOf(value)}
          options={holds.options.map(String)}
          optional={optional || nullable}
          onValue={(v) => onValue(v === '' ? empty : holds.options.find((o) => String(o) === v))}
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
          <Fields
            columns={holds.columns}
            values={(value as Values | undefined) ?? {}}
            set={(key, inner) => {
              const { [key]: _, ...rest } = (value as Values | undefined) ?? {};
              const next = inner === undefined ? rest : { ...rest, [key]: inner };
              onValue(Object.keys(next).length === 0 && optional ? undefined : next);
            }}
          />
        </Box>
      );
    case 'rows':
      return (
        <Rows
          label={label}
          columns={holds.columns}
          list={(value as Values[] | undefined) ?? []}
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
function blank(columns: readonly PartColumn[]): Values {
  const value = ({ key, holds, label }: PartColumn): unknown => {
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
  onList,
}: {
  label: string;
  columns: readonly PartColumn[];
  list: readonly Values[];
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
              <Fields
                columns={columns}
                values={row}
                set={(key, value) => {
                  const { [key]: _, ...rest } = row;
                  onList(
                    list.map((other, k) =>
                      k === i ? (value === undefined ? rest : { ...rest, [key]: value }) : other,
                    ),
                  );
                }}
              />
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

function Select({
  label,
  value,
  options,
  optional,
  onValue,
}: {
  label: string;
  value: string;
  options: readonly string[];
  optional: boolean;
  onValue(value: string): void;
}) {
  return (
    <TextField
      select
      fullWidth
      label={label}
      value={value}
      onChange={(e) => onValue(e.target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      {(optional || value === '') && (
        <MenuItem value="">
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {NOT_KNOWN}
          </Box>
        </MenuItem>
      )}
      {options.map((option) => (
        <MenuItem key={option} value={option}>
          {option}
        </MenuItem>
      ))}
    </TextField>
  );
}

function List({
  column: { key, label, holds },
  value,
  onValue,
}: {
  column: PartColumn;
  value: string[];
  onValue(value: string[]): void;
}) {
  const links = ['modes', 'inner', 'outer', 'up'].includes(key);
  const of = (holds.type === 'list' && holds.of) || (links ? LINKS.map((l) => l.id) : null);
  if (!of)
    return (
      <TextField
        fullWidth
        label={label}
        value={value.join(', ')}
        onChange={(e) => onValue(e.target.value.split(/,\s*/).filter(Boolean))}
      />
    );
  const name = (id: string) => (links && isLinkId(id) ? linkById(id).name : id);
  if (key === 'ends')
    return (
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        {[0, 1].map((i) => (
          <Select
            key={i}
            label={i === 0 ? 'One end' : 'Other end'}
            value={value[i] ?? ''}
            options={of}
            optional={false}
            onValue={(end) => onValue(value.map((v, k) => (k === i ? end : v)))}
          />
        ))}
      </Box>
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
  column: { dimension = 'count', unit },
  fact,
  onFact,
}: {
  label: string;
  column: PartColumn;
  fact: Fact;
  onFact(fact: Fact): void;
}) {
  const at = unit ?? UNIT_OF[dimension];
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
        fact={fact}
        onFact={onFact}
        helperText={[sourceWords(fact.source), conditions(fact)].filter(Boolean).join('; ')}
      />
      {fact.others?.map((other, i) => (
        <Typography key={i} variant="caption" color="textSecondary" component="div" sx={{ pl: 1.75 }}>
          {writeFact(other.value, at)} (
          {[sourceWords(other.source), conditions(other)].filter(Boolean).join('; ')}){' '}
          <Small onClick={() => onFact(chooseValue(fact, i, ''))}>Use this</Small>
        </Typography>
      ))}
      {(fact.others?.length ?? 0) > 0 && (
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
