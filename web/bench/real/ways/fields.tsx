import { QuantityField } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { sourceOf, type WayFieldsProps } from './way';

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
    <Pick
      label={label}
      value={value}
      options={options.map(([option, words]) => [option, words])}
      onValue={onChoose}
    />
  );
}

/** Size of the file, which must fit. */
export function SizeField({ chosen, choose, around, label = 'Size' }: WayFieldsProps & { label?: string }) {
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
export function RequestFields({ chosen, choose }: WayFieldsProps) {
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
export function SourceField({ chosen, choose, around, label }: WayFieldsProps & { label: string }) {
  const source = sourceOf(chosen, around);
  return (
    <Pick
      label={label}
      value={source?.id ?? ''}
      options={around.sources.map((f) => [f.id, f.folder])}
      onValue={(v) => choose({ source: v })}
      helperText={source ? (source.problem ?? undefined) : 'Start Kymar with --source and a folder'}
    />
  );
}
