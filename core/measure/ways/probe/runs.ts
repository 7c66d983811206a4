import { conditionsOf, inFolder, MOST_SAMPLES, TIMED } from '../entry';
import type { WayToMeasure } from '../way';
import type { ProbeTold } from './request';

const ENDED: Record<ProbeTold['ended'], string> = {
  known: '',
  bytes: 'its bytes were spent',
  seconds: 'its time was spent',
  warmth: 'it grew too hot',
};

/** A synthetic write with what was found of the drive. */
export const PROBE_WAY: WayToMeasure<'probe', 'probed'> = {
  ends: 'probed',
  runs({ kept, end, purpose, path }) {
    const { target, through, found, written, seconds, ended, samples, warmth } = end;
    const note = [purpose.note, 'probe', target.way || target.fileSystem, ENDED[ended], ...target.labels];
    return [
      {
        id: `run-${kept.id.slice(0, 36)}-probe`,
        at: kept.at,
        activity: null,
        direction: 'write',
        otherEnd: 'memory',
        source: 'real',
        measure: { ...TIMED, bytes: Math.max(1, written), files: 1, seconds, depth: 1 },
        path,
        conditions: conditionsOf(purpose, note, inFolder(target, through, written), warmth),
        ended: 'done',
        samples: samples.slice(0, MOST_SAMPLES),
        probed: found,
      },
    ];
  },
};
