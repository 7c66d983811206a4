import type { Protocol, ProtocolTest } from '../measure';
import { counted, format } from '../units';
import { say, type Said } from './statement';

/** A test of the protocol: how long one run takes, how many there are of how many. */
export const testSaid = ({ id, seconds, done, wanted }: ProtocolTest): Said<'takes' | 'runs'> =>
  say('planned', id, {
    takes: seconds === null ? null : format(seconds, 's', 2),
    runs: `${done} of ${wanted}`,
  });

/** What of a protocol is still to come. */
export function protocolSaid({ tests, seconds, wear, share }: Protocol): Said<'left'> {
  const open = tests.filter(({ done, wanted }) => done < wanted).length;
  const time = seconds === null ? '' : `, about ${format(seconds, 's', 2)}`;
  const rated = share === null ? '' : `, ${format(share, '%', 2)} of the rating`;
  const writes = wear > 0 ? `; they write ${format(wear, 'B', 2)}${rated}` : '';
  return say('planned', 'protocol', {
    left:
      open === 0
        ? 'All tests are through: on to the verdict.'
        : `${counted(open, 'test')} still to come${time}${writes}.`,
  });
}
