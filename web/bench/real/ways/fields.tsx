import { MenuItem, TextField } from '@mui/material';
import { QuantityField } from '../../../ui/field';
import { sourceOf, type FieldsProps } from './way';

const BLOCKS = [
  [4096, '4 KiB'],
  [16384, '16 KiB'],
  [65536, '64 KiB'],
  [131072, '128 KiB'],
] as const;
const DEPTHS = [1, 2, 4, 8, 16, 32].map((depth) => [depth, String(depth)] as const);
const MIXES = [
  [1, 'all reads'],
  [0.7, '70 % reads, 30 % writes'],
  [0, 'all writes'],
] as const;

/** One of a few numbers. */
export function NumberChoice<N extends number>({
  label,
  value,
  options,
  onChoose,
}: {
  label: string;
  value: N;
  options: readonly (readonly [N, string])[];
  onChoose(value: N): void;
}) {
  return (
    <TextField select label={label} value={value} onChange={(e) => onChoose(Number(e.target.value) as N)}>
      {options.map(([option, words]) => (
        <MenuItem key={option} value={option}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** Size of the file, which must fit. */
export function SizeField({ chosen, choose, around, label = 'Size' }: FieldsProps & { label?: string }) {
  const { bytes } = chosen;
  return (
    <QuantityField
      label={label}
      dimension="bytes"
      value={bytes}
      onValue={(b) => choose({ bytes: b })}
      {...(bytes !== null && bytes > around.target.room ? { error: true } : {})}
    />
  );
}

/** Block size, queue depth and mix of small requests. */
export function RequestFields({ chosen, choose }: FieldsProps) {
  return (
    <>
      <NumberChoice
        label="Block size"
        value={chosen.small}
        options={BLOCKS}
        onChoose={(small) => choose({ small })}
      />
      <NumberChoice
        label="Queue depth"
        value={chosen.depth}
        options={DEPTHS}
        onChoose={(depth) => choose({ depth })}
      />
      <NumberChoice
        label="Mix"
        value={chosen.reads}
        options={MIXES}
        onChoose={(reads) => choose({ reads })}
      />
    </>
  );
}

/** The folder that is read. */
export function SourceField({ chosen, choose, around, label }: FieldsProps & { label: string }) {
  const source = sourceOf(chosen, around);
  return (
    <TextField
      select
      label={label}
      value={source?.id ?? ''}
      onChange={(e) => choose({ source: e.target.value })}
      helperText={source ? (source.problem ?? undefined) : 'Start Kymar with --source and a folder'}
    >
      {around.sources.map((f) => (
        <MenuItem key={f.id} value={f.id}>
          {f.folder}
        </MenuItem>
      ))}
    </TextField>
  );
}
