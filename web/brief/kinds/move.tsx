import { isOnce, Move } from '@kymar/core/job';
import { SchemaForm } from '../../ui/form';
import { UNKNOWN, half, third, type KindFieldsProps, type KindForm } from './form';
import { Pick } from '../../ui/pick';
import { Sizes } from './sizes';

export const MOVE_FORM: KindForm<Move> = {
  words: 'Move: a copy that ends',
  target: 'Target time',
  often: true,
  blank: (common) => ({ ...common, kind: 'move', direction: 'write', bytes: UNKNOWN, files: UNKNOWN }),
  schema: Move,
  sx: third,
  Fields,
};

function Fields({ activity, onActivity }: KindFieldsProps<Move>) {
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
      <Pick
        label="Data goes"
        value={activity.itself ? 'itself' : activity.direction}
        options={[
          ['write', 'to the drive'],
          ['read', 'from the drive'],
          ['itself', 'from the drive to itself'],
        ]}
        onValue={setWay}
        sx={width}
      />
      <Pick
        label="Afterwards"
        value={activity.verify ? 'verify' : 'nothing'}
        options={[
          ['nothing', 'nothing is checked'],
          ['verify', 'all is read back'],
        ]}
        onValue={(v) =>
          onActivity({
            ...rest,
            ...(activity.itself ? { itself: true } : {}),
            ...(v === 'verify' ? { verify: true } : {}),
          })
        }
        sx={width}
      />
      {repeats && (
        <Pick
          label="Each copy"
          value={activity.adds === undefined ? '' : activity.adds ? 'adds' : 'replaces'}
          options={[
            ['', 'not said'],
            ['replaces', 'replaces the last one'],
            ['adds', 'adds to what is there'],
          ]}
          onValue={(v) => {
            const { adds: __, ...others } = activity;
            onActivity(v === '' ? others : { ...others, adds: v === 'adds' });
          }}
          sx={third}
        />
      )}
      <SchemaForm<Move>
        of={Move}
        values={activity}
        onValues={onActivity}
        keys={['bytes', 'files']}
        sx={third}
      />
      <Sizes activity={activity} onActivity={onActivity} />
    </>
  );
}
