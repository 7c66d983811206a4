import { recordersFor } from '../../../evidence';
import { expectedOf, isExact, type Spread } from '../../../stats';
import type { Stream } from '../../../job';
import { drawnStreams, pacedOf, slowestOf, stalls } from '../../kinds/stream';
import type { Opening } from './kind';
import { looks, MINUTES, questions, test } from './tests';

/** B of a run at full rate that tells whether streams hold: long enough for cache and heat, or their whole length. */
const LONG = 60e9;

/** Streams: that none stalls. */
export const STREAM_OPENING: Opening<Stream> = (of, path) => {
  const { activity } = of;
  const all = pacedOf(recordersFor(of.shopRanges).explaining, of, path);
  if (Object.values(all.inputs).every(isExact)) return null;
  const middle = drawnStreams(all, expectedOf<string>(all), activity);
  const bytes = Math.min(
    middle.bytes,
    Math.max(LONG, 1.4 * ((all.inputs as Record<string, Spread>).cache?.high ?? 0)),
  );
  const seconds = bytes / slowestOf(middle.flow(bytes), activity.streams);
  return {
    of: all,
    tell(drawn) {
      const one = drawnStreams(all, drawn, activity);
      return { figure: slowestOf(one.flow(), activity.streams) / one.demand, met: !stalls(one, activity) };
    },
    tests: [
      ...questions(all, { fill: 'ask fill', each: 'ask rate', lasts: 'ask lasts' }),
      ...looks(all),
      test(
        'run at full rate',
        MINUTES.setUp + seconds / 60,
        (drawn) => slowestOf(drawnStreams(all, drawn, activity).flow(bytes), activity.streams),
        { bytes, wear: activity.direction === 'write' ? bytes : 0, onDrive: true },
      ),
    ],
  };
};
