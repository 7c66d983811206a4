import { directionOf, isLoad } from '../../../job';
import { format } from '../../../units';
import { conditionsOf, MOST_SAMPLES } from '../entry';
import type { WayToMeasure } from '../way';

/** Below this share of what was moved, a direction is what a system does beside the work. */
const BESIDE = 0.2;

/**
 * A watched piece of work. Its bytes are those of the activity's direction, without one of that in which most was moved; of a load nobody needs them,
 * they are counted all the same.
 */
export const WATCH_WAY: WayToMeasure<'watch', 'watched'> = {
  ends: 'watched',
  runs({ kept, end, purpose, path, activity }) {
    const { device, at, seconds, bar, read, written, reads, writes, busy, error, samples, others } = end;
    const direction = activity ? directionOf(activity) : written >= read ? 'write' : 'read';
    const bytes = Math.round(direction === 'write' ? written : read);
    const other = direction === 'write' ? read : written;
    const load = isLoad(activity);
    const note = [
      purpose.note,
      device.how === 'counters' ? `counters of ${device.name}` : `growth of ${device.name}: no counters here`,
      others ? `others moved ${format(others, 'B/s', 2)} before and after` : '',
      other > BESIDE * bytes && !load ? `${direction === 'write' ? 'read' : 'wrote'} too` : '',
    ];
    return [
      {
        id: `run-${kept.id.slice(0, 36)}-watched`,
        at,
        activity: activity?.id ?? null,
        direction,
        otherEnd: load ? 'memory' : 'storage',
        source: 'watched',
        measure: {
          kind: 'timed',
          bytes: load || bytes < 1 ? null : bytes,
          files: null,
          seconds,
          ...(load ? {} : { until: 'written' as const }),
          error,
          correction: 0,
          laps: [],
          block: null,
          depth: null,
        },
        path,
        conditions: conditionsOf(purpose, note),
        ended: 'done',
        samples: samples[direction].slice(0, MOST_SAMPLES),
        counted: { read, written, reads, writes, busy, bar },
      },
    ];
  },
};
