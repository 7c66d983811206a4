import type { Stream } from '@kymar/core/job';
import { FactField, QuantityField } from '../../ui/field';
import { UNKNOWN, half, third, type KindFieldsProps, type Form } from './form';
import { WayField } from './way';

export const STREAM_FORM: Form<Stream> = {
  words: 'Stream: must not stall',
  target: null,
  often: true,
  blank: (common) => ({
    ...common,
    kind: 'stream',
    direction: 'write',
    rate: UNKNOWN,
    streams: 1,
    lasts: UNKNOWN,
    buffer: UNKNOWN,
  }),
  Fields,
};

function Fields({ activity, onActivity }: KindFieldsProps<Stream>) {
  return (
    <>
      <WayField
        value={activity.direction}
        onValue={(way) => onActivity({ ...activity, direction: way as 'read' | 'write' })}
        sx={third}
      />
      <FactField
        label="Rate of each"
        dimension="rate"
        fact={activity.rate}
        onFact={(rate) => onActivity({ ...activity, rate })}
        sx={third}
      />
      <QuantityField
        label="Streams at once"
        dimension="count"
        value={activity.streams}
        onValue={(n) =>
          n !== null && n >= 1 && onActivity({ ...activity, streams: Math.min(1000, Math.round(n)) })
        }
        sx={third}
      />
      <FactField
        label="Lasts without a break"
        bare="min"
        dimension="time"
        fact={activity.lasts}
        onFact={(lasts) => onActivity({ ...activity, lasts })}
        sx={half}
      />
      <FactField
        label="Own buffer bridges"
        dimension="time"
        fact={activity.buffer}
        onFact={(buffer) => onActivity({ ...activity, buffer })}
        sx={half}
      />
    </>
  );
}
