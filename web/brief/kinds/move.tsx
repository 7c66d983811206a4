import { isOnce, Move } from '@kymar/core/job';
import { countEach } from '@kymar/core/brief';
import { writeFact } from '@kymar/core/evidence';
import { wordsOf } from '@kymar/core/units';
import { FactField } from '../../ui/field';
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
  moreSaid: ({ verify, adds, sizes }) => [
    ...(verify ? ['all is read back'] : []),
    ...(adds === undefined ? [] : [adds ? 'each copy adds' : 'each copy replaces the last one']),
    ...(sizes ? ['sizes of its files'] : []),
  ],
  Fields,
};

function Fields({ part, ...props }: KindFieldsProps<Move>) {
  return part === 'first' ? <First {...props} /> : <Rest {...props} />;
}
type Props = Omit<KindFieldsProps<Move>, 'part'>;

function First({ activity, onActivity }: Props) {
  const { itself: _, verify: _verify, ...rest } = activity;
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
        sx={third}
      />
      <SchemaForm<Move> of={Move} values={activity} onValues={onActivity} keys={['bytes']} sx={third} />
      <FactField
        label={wordsOf(Move.shape.files)!.label}
        dimension="count"
        fact={activity.files}
        also={(typed) => {
          const read = countEach(typed);
          const [files, bytes] = [read?.files.value, read?.bytes.value];
          if (files === undefined || bytes === undefined) return null;
          return {
            value: files,
            understood: `${writeFact(files, 'count')} files, ${writeFact(bytes, 'B')} in all`,
          };
        }}
        onFact={(files, typed) => {
          const bytes = countEach(typed)?.bytes;
          onActivity({ ...activity, files, ...(bytes && { bytes }) });
        }}
        sx={third}
      />
    </>
  );
}

function Rest({ activity, onActivity }: Props) {
  const { verify: _, ...rest } = activity;
  const repeats = activity.direction === 'write' && !activity.itself && !isOnce(activity);
  return (
    <>
      <Pick
        label="Afterwards"
        value={activity.verify ? 'verify' : 'nothing'}
        options={[
          ['nothing', 'nothing is checked'],
          ['verify', 'all is read back'],
        ]}
        onValue={(v) => onActivity(v === 'verify' ? { ...rest, verify: true } : rest)}
        sx={repeats ? third : half}
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
      <Sizes activity={activity} onActivity={onActivity} />
    </>
  );
}
