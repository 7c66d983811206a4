import { MenuItem, TextField } from '@mui/material';
import { isOnce, type Move } from '@kymar/core/job';
import { FactField } from '../../ui/field';
import { UNKNOWN, half, third, type FieldsProps, type Form } from './form';
import { Way } from './way';
import { Sizes } from './sizes';

export const MOVE_FORM: Form<Move> = {
  words: 'Move: a copy that ends',
  target: 'Target time',
  often: true,
  blank: (common) => ({ ...common, kind: 'move', direction: 'write', bytes: UNKNOWN, files: UNKNOWN }),
  Fields,
};

function Fields({ activity, onActivity }: FieldsProps<Move>) {
  const { itself: _, verify: _verify, ...rest } = activity;
  const repeats = activity.direction === 'write' && !activity.itself && !isOnce(activity);
  const width = repeats ? third : half;
  const setWay = (way: string) =>
    onActivity(
      way === 'itself'
        ? { ...activity, direction: 'write', itself: true }
        : { ...rest, ...(activity.verify ? { verify: true } : {}), direction: way as 'read' | 'write' },
    );
  return (
    <>
      <Way value={activity.itself ? 'itself' : activity.direction} onValue={setWay} sx={width} itself />
      <TextField
        select
        label="Afterwards"
        value={activity.verify ? 'verify' : 'nothing'}
        onChange={(e) =>
          onActivity({
            ...rest,
            ...(activity.itself ? { itself: true } : {}),
            ...(e.target.value === 'verify' ? { verify: true } : {}),
          })
        }
        sx={width}
      >
        <MenuItem value="nothing">nothing is checked</MenuItem>
        <MenuItem value="verify">all is read back</MenuItem>
      </TextField>
      {repeats && (
        <TextField
          select
          label="Each copy"
          value={activity.adds === undefined ? '' : activity.adds ? 'adds' : 'replaces'}
          onChange={(e) => {
            const { adds: __, ...others } = activity;
            onActivity(e.target.value === '' ? others : { ...others, adds: e.target.value === 'adds' });
          }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={third}
        >
          <MenuItem value="">not said</MenuItem>
          <MenuItem value="replaces">replaces the last one</MenuItem>
          <MenuItem value="adds">adds to what is there</MenuItem>
        </TextField>
      )}
      <FactField
        label="Size in one go"
        dimension="bytes"
        fact={activity.bytes}
        onFact={(bytes) => onActivity({ ...activity, bytes })}
        sx={third}
      />
      <FactField
        label="Files"
        dimension="count"
        fact={activity.files}
        onFact={(files) => onActivity({ ...activity, files })}
        sx={third}
      />
      <Sizes activity={activity} onActivity={onActivity} />
    </>
  );
}
