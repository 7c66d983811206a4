import { Box, TextField, Typography } from '@mui/material';
import type { Run } from '@kymar/core/job';
import { Pick } from '../ui/pick';
import { QuantityField } from '../ui/field';

/** What a person states of the conditions of the runs to come. */
export type Conditions = Pick<
  Run['conditions'],
  'note' | 'temperature' | 'cold' | 'lid' | 'mains' | 'fill' | 'ambient' | 'look'
>;

export const NO_CONDITIONS: Conditions = { note: '', temperature: null, cold: null };

const asChoice = (value: boolean | null | undefined, yes: string, no: string): string =>
  value === null || value === undefined ? '' : value ? yes : no;

/** Conditions as fields: unlike ones are never averaged. */
export function ConditionFields({
  value,
  onValue,
  portable,
}: {
  value: Conditions;
  onValue(value: Conditions): void;
  /** The machine has a lid and a battery. */
  portable: boolean;
}) {
  const set = (part: Partial<Conditions>) => onValue({ ...value, ...part });
  const without = (key: 'lid' | 'mains' | 'fill' | 'ambient') => {
    const { [key]: _, ...rest } = value;
    return rest;
  };
  const choice = (
    label: string,
    shown: string,
    options: readonly string[],
    onChoose: (chosen: string) => void,
  ) => (
    <Pick
      label={label}
      value={shown}
      options={[['', 'not noted'], ...options.map((option) => [option, option] as const)]}
      onValue={onChoose}
    />
  );
  return (
    <Box sx={{ mb: 1.5 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 1fr)', gap: 1.5 }}>
        <TextField
          label="Conditions"
          placeholder="warm room, another copy running"
          value={value.note}
          onChange={(e) => set({ note: e.target.value.slice(0, 400) })}
        />
        <QuantityField
          label="Drive, °C"
          dimension="temperature"
          optional
          value={value.temperature}
          onValue={(temperature) => set({ temperature })}
        />
      </Box>
      <Box component="details" sx={{ mt: 1, '& summary': { cursor: 'pointer' } }}>
        <Typography component="summary" variant="body2" color="textSecondary">
          More conditions
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1.5, mt: 1 }}>
          {choice('Start', asChoice(value.cold, 'cold', 'warm'), ['cold', 'warm'], (c) =>
            set({ cold: c === '' ? null : c === 'cold' }),
          )}
          {portable &&
            choice('Lid', value.lid ?? '', ['open', 'closed'], (lid) =>
              onValue(lid === '' ? without('lid') : { ...value, lid: lid as 'open' | 'closed' }),
            )}
          {portable &&
            choice('Power', asChoice(value.mains, 'mains', 'battery'), ['mains', 'battery'], (p) =>
              onValue(p === '' ? without('mains') : { ...value, mains: p === 'mains' }),
            )}
          <QuantityField
            label="Drive in use"
            dimension="percent"
            optional
            value={value.fill ?? null}
            onValue={(fill) => onValue(fill === null ? without('fill') : { ...value, fill })}
          />
          <QuantityField
            label="Room, °C"
            dimension="temperature"
            optional
            value={value.ambient ?? null}
            onValue={(ambient) => onValue(ambient === null ? without('ambient') : { ...value, ambient })}
          />
        </Box>
      </Box>
    </Box>
  );
}
