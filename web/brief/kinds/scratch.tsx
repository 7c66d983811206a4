import { MenuItem, TextField } from '@mui/material';
import type { Scratch } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { FactField, QuantityField } from '../../ui/field';
import { UNKNOWN, third, type FieldsProps, type Form } from './form';

export const SCRATCH_FORM: Form<Scratch> = {
  words: 'Scratch: small and random',
  target: 'Waiting a day, at most',
  often: false,
  blank: (common) => ({
    ...common,
    kind: 'scratch',
    operations: UNKNOWN,
    reads: 0.7,
    block: 4096,
    depth: 4,
    span: UNKNOWN,
    synchronous: false,
  }),
  Fields,
};

function Fields({ activity, onActivity }: FieldsProps<Scratch>) {
  return (
    <>
      <FactField
        label="Operations a day"
        dimension="count"
        fact={activity.operations}
        onFact={(operations) => onActivity({ ...activity, operations })}
        sx={third}
      />
      <FactField
        label="Spread over"
        dimension="bytes"
        fact={activity.span}
        onFact={(span) => onActivity({ ...activity, span })}
        sx={third}
      />
      <QuantityField
        label="Size of each"
        bare="KiB"
        dimension="bytes"
        value={activity.block}
        onValue={(v) => onActivity({ ...activity, block: v && v > 0 ? v : 4096 })}
        sx={third}
      />
      <TextField
        select
        label="Share that reads"
        value={activity.reads}
        onChange={(e) => onActivity({ ...activity, reads: Number(e.target.value) })}
        sx={third}
      >
        {[...new Set([0, 0.1, 0.3, 0.5, 0.7, 0.9, 1, activity.reads])]
          .sort((a, b) => a - b)
          .map((v) => (
            <MenuItem key={v} value={v}>
              {format(v, '%')}
            </MenuItem>
          ))}
      </TextField>
      <TextField
        select
        label="Depth"
        value={activity.depth}
        onChange={(e) => onActivity({ ...activity, depth: Number(e.target.value) })}
        sx={third}
      >
        {[...new Set([1, 2, 4, 8, 16, 32, 64, activity.depth])]
          .sort((a, b) => a - b)
          .map((v) => (
            <MenuItem key={v} value={v}>
              {v}
            </MenuItem>
          ))}
      </TextField>
      <TextField
        select
        label="A write waits until safe"
        value={activity.synchronous ? 'yes' : 'no'}
        onChange={(e) => onActivity({ ...activity, synchronous: e.target.value === 'yes' })}
        sx={third}
      >
        <MenuItem value="no">no</MenuItem>
        <MenuItem value="yes">yes</MenuItem>
      </TextField>
    </>
  );
}
