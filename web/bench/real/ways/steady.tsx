import { QuantityField } from '../../../ui/field';
import { RequestFields, SizeField } from './fields';
import { isIn, type MeasuringWay } from './way';

/** Small requests in rounds until they are as one another. */
export const STEADY: MeasuringWay = {
  label: 'Steady state: rounds of random requests',
  start: 'Start the rounds',
  Fields: (props) => (
    <>
      <SizeField {...props} />
      <RequestFields {...props} />
      <QuantityField
        label="Each round"
        dimension="time"
        bare="s"
        value={props.chosen.round}
        onValue={(round) => props.choose({ round })}
      />
      <QuantityField
        label="Rounds at most"
        dimension="count"
        value={props.chosen.rounds}
        onValue={(rounds) => props.choose({ rounds })}
      />
    </>
  ),
  says:
    'Rounds go on until five of them lie within 20 % of their mean and their line rises or falls by 10 % at most [SNIA PTS]. ' +
    'The file is laid out once before; the whole drive is not filled. Removed afterwards.',
  writes: ({ bytes }) => bytes,
  request: ({ bytes, small, depth, reads, round, rounds }, { target }) =>
    isIn(bytes, 1 << 26, target.room) && isIn(round, 1, 600) && isIn(rounds, 5, 60)
      ? {
          kind: 'steady',
          target: target.id,
          bytes: Math.round(bytes),
          block: small,
          depth,
          reads,
          seconds: round,
          rounds: Math.round(rounds),
        }
      : null,
};
