import type { Scratch } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { FactField, QuantityField } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { UNKNOWN, third, type KindFieldsProps, type Form } from './form';

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

function Fields({ activity, onActivity }: KindFieldsProps<Scratch>) {
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
      <Pick
        label="Share that reads"
        value={activity.reads}
        options={[...new Set([0, 0.1, 0.3, 0.5, 0.7, 0.9, 1, activity.reads])]
          .sort((a, b) => a - b)
          .map((v) => [v, format(v, '%')])}
        onValue={(v) => onActivity({ ...activity, reads: v })}
        sx={third}
      />
      <Pick
        label="Depth"
        value={activity.depth}
        options={[...new Set([1, 2, 4, 8, 16, 32, 64, activity.depth])]
          .sort((a, b) => a - b)
          .map((v) => [v, v])}
        onValue={(v) => onActivity({ ...activity, depth: v })}
        sx={third}
      />
      <Pick
        label="A write waits until safe"
        value={activity.synchronous ? 'yes' : 'no'}
        options={[
          ['no', 'no'],
          ['yes', 'yes'],
        ]}
        onValue={(v) => onActivity({ ...activity, synchronous: v === 'yes' })}
        sx={third}
      />
    </>
  );
}
