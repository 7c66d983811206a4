import { Box, TextField, Typography } from '@mui/material';
import { RunConditions, type Run } from '@kymar/core/job';
import { SchemaForm } from '../ui/form';

/** What a person states of the conditions of the runs to come. */
export type Conditions = Pick<
  Run['conditions'],
  'note' | 'temperature' | 'hottest' | 'cold' | 'lid' | 'mains' | 'fill' | 'ambient' | 'look'
>;

export const NO_CONDITIONS: Conditions = { note: '', temperature: null, cold: null };

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
  const form = { of: RunConditions, values: value, onValues: onValue, unsaid: 'not noted' };
  return (
    <Box sx={{ mb: 1.5 }}>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          // On a phone what is read off has its own line: its labels are not cut.
          gridTemplateColumns: {
            xs: 'repeat(2, minmax(0, 1fr))',
            sm: 'minmax(0, 2fr) repeat(2, minmax(0, 1fr))',
          },
        }}
      >
        <TextField
          label="Conditions"
          sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}
          placeholder="warm room, another copy running"
          value={value.note}
          onChange={(e) => onValue({ ...value, note: e.target.value.slice(0, 400) })}
        />
        <SchemaForm {...form} keys={['temperature', 'hottest']} unsaid="" />
      </Box>
      <Box component="details" sx={{ mt: 1, '& summary': { cursor: 'pointer' } }}>
        <Typography component="summary" variant="body2" color="textSecondary">
          More conditions
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1.5, mt: 1 }}>
          <SchemaForm
            {...form}
            keys={['cold', ...(portable ? (['lid', 'mains'] as const) : []), 'fill', 'ambient']}
          />
        </Box>
      </Box>
    </Box>
  );
}
