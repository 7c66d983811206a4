import { BEFALLEN } from '../job';
import type { Mind, Protocol, ProtocolTest } from '../measure';
import { counted, format } from '../units';
import { naming, say, type Said } from './statement';

function titleOf({ practice, activity, direction, bytes, files }: ProtocolTest): string {
  if (practice === 'synthetic')
    return `Synthetic ${direction === 'write' ? 'writing' : 'reading'}, ${format(bytes!, 'B', 2)}`;
  if (practice === 'load') return `${activity!.name}, opened cold`;
  const many = files !== null && files > 1 ? ` in ${format(files, 'count')} files` : '';
  return `${activity!.name}: ${format(bytes!, 'B')}${many}`;
}

function mindWords(mind: Mind): string {
  switch (mind.id) {
    case 'port':
      return `Plugged in here: ${mind.position}${mind.cable ? `, with ${mind.cable}` : ''}.`;
    case 'above cache and memory':
      return 'Larger than cache and memory, as far as a tenth of the drive allows.';
    case 'maybe within cache':
      return mind.cache === null
        ? 'How much its cache takes is not known: all of this may be within it. A probe would tell.'
        : `Its cache may take ${format(mind.cache, 'B')}: all of this may be within it.`;
    case 'slow source':
      return `${mind.name} gives ${format(mind.rate, 'B/s')}, less than half of what the drive takes: take a faster source, or the source is what is timed.`;
    case 'cool down':
      return `${counted(mind.minutes, 'minute')} between runs, so that each starts cool and with its cache empty.`;
    case 'look first':
      return `Since ${BEFALLEN[mind.what]}: look at plug, socket and cable before it is timed.`;
    case 'cold':
      return 'Cold each time, by the same reset: quit the program, eject, restart.';
    case 'one run will do':
      return 'It is long, or happens once: one run will do.';
  }
}

/** A test of the protocol: how long one run takes, how many there are of how many. */
export const testSaid = (test: ProtocolTest): Said<'title' | 'takes' | 'runs'> => {
  const { id, seconds, done, wanted } = test;
  return say('planned', id, {
    title: titleOf(test),
    takes: seconds === null ? null : format(seconds, 's', 2),
    runs: `${done} of ${wanted}`,
  });
};

/** What is to be minded where a test is taken. */
export const mindSaid = ({ id }: ProtocolTest, mind: Mind): Said<'mind'> =>
  say('planned', naming(id, mind.id), { mind: mindWords(mind) });

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
