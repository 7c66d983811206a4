import { QuantityField } from '../../../ui/field';
import { RequestFields, SizeField } from './fields';
import { isIn, type MeasuringWay } from './way';

/** Small requests anywhere in a file. */
export const RANDOM: MeasuringWay = {
  label: 'Random reads and writes',
  start: 'Start the run',
  Fields: (props) => (
    <>
      <SizeField {...props} />
      <RequestFields {...props} />
      <QuantityField
        label="For"
        dimension="time"
        bare="s"
        value={props.chosen.lasts}
        onValue={(lasts) => props.choose({ lasts })}
      />
    </>
  ),
  says:
    'A file is laid out, then blocks of it are asked for anywhere, past the host’s memory where the file system allows it; ' +
    'how many a second, and how long each took. Removed afterwards.',
  writes: ({ bytes }) => bytes,
  request: ({ bytes, small, depth, reads, lasts }, { target }) =>
    isIn(bytes, 1 << 26, target.room) && isIn(lasts, 1, 3600)
      ? {
          kind: 'random',
          target: target.id,
          bytes: Math.round(bytes),
          block: small,
          depth,
          reads,
          seconds: lasts,
        }
      : null,
};
