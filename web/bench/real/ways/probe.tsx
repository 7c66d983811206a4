import { QuantityField } from '../../../ui/field';
import { SizeField } from './fields';
import { isIn, type MeasuringWay } from './way';

/** A drive written to until it is known. */
export const PROBE: MeasuringWay = {
  label: 'Probe: cache, sustained rate, recovery',
  start: 'Probe it',
  Fields: (props) => (
    <>
      <SizeField {...props} label="Writes at most" />
      <QuantityField
        label="Takes at most"
        dimension="time"
        value={props.chosen.within}
        onValue={(within) => props.choose({ within })}
      />
    </>
  ),
  says:
    'Writes until the end of the cache was seen and the rate behind it is known, rests half a minute and writes on to see ' +
    'how much came back; ends sooner where it has spent what it may. Removed afterwards.',
  writes: ({ bytes }) => bytes,
  request: ({ bytes, within }, { target }) =>
    isIn(bytes, 1 << 30, target.room) && isIn(within, 10, 86_400)
      ? { kind: 'probe', target: target.id, bytes: Math.round(bytes), seconds: within }
      : null,
};
