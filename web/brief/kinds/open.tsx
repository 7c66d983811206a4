import type { Load } from '@kymar/core/job';
import { FactField } from '../../ui/field';
import { UNKNOWN, third, type KindFieldsProps, type Form } from './form';

export const OPEN_FORM: Form<Load> = {
  words: 'Open: load, build, render',
  target: 'Target time',
  often: true,
  blank: (common) => ({
    ...common,
    kind: 'open',
    processing: UNKNOWN,
    bytes: UNKNOWN,
    dependentReads: UNKNOWN,
  }),
  Fields,
};

/** Most loads write nothing that counts. */
const NOTHING = { value: 0, source: { kind: 'practice' } } as const;

function Fields({ activity, onActivity }: KindFieldsProps<Load>) {
  return (
    <>
      <FactField
        label="Processing time"
        dimension="time"
        fact={activity.processing}
        onFact={(own) => onActivity({ ...activity, processing: own })}
        sx={third}
      />
      <FactField
        label="Loads"
        dimension="bytes"
        fact={activity.bytes}
        onFact={(bytes) => onActivity({ ...activity, bytes })}
        sx={third}
      />
      <FactField
        label="Dependent reads"
        dimension="count"
        fact={activity.dependentReads}
        onFact={(requests) => onActivity({ ...activity, dependentReads: requests })}
        sx={third}
      />
      <FactField
        label="Writes"
        dimension="bytes"
        fact={activity.written ?? NOTHING}
        onFact={(written) => {
          const { written: _, ...rest } = activity;
          onActivity(written.value === 0 ? rest : { ...rest, written });
        }}
        sx={third}
      />
    </>
  );
}
