import type { Open } from '@kymar/core/job';
import { FactField } from '../../ui/field';
import { UNKNOWN, third, type FieldsProps, type Form } from './form';

export const OPEN_FORM: Form<Open> = {
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

function Fields({ activity, onActivity }: FieldsProps<Open>) {
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
    </>
  );
}
