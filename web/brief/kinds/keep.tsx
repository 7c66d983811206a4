import type { Keep } from '@kymar/core/job';
import { FactField } from '../../ui/field';
import { UNKNOWN, half, type KindFieldsProps, type Form } from './form';

export const KEEP_FORM: Form<Keep> = {
  words: 'Keep: data that grows',
  target: null,
  often: false,
  blank: (common) => ({ ...common, kind: 'keep', now: UNKNOWN, growth: UNKNOWN }),
  Fields,
};

function Fields({ activity, onActivity }: KindFieldsProps<Keep>) {
  return (
    <>
      <FactField
        label="Kept today"
        dimension="bytes"
        fact={activity.now}
        onFact={(now) => onActivity({ ...activity, now })}
        sx={half}
      />
      <FactField
        label="Added a day"
        dimension="bytes"
        fact={activity.growth}
        onFact={(growth) => onActivity({ ...activity, growth })}
        sx={half}
      />
    </>
  );
}
