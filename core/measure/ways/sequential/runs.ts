import { conditionsOf, inFolder, MOST_SAMPLES, TIMED } from '../entry';
import type { WayToMeasure } from '../way';

/** One run a direction. */
export const SEQUENTIAL_WAY: WayToMeasure<'sequential', 'done'> = {
  ends: 'done',
  runs: ({ kept, end: { target, warmth, results }, purpose, path }) =>
    results.map(({ direction, bytes, seconds, samples, through }) => {
      const way = through === 'direct' ? 'past the host’s memory' : 'through the host’s memory';
      const note = [
        purpose.note,
        target.way || target.fileSystem || 'file system not known',
        way,
        ...target.labels,
      ];
      return {
        id: `run-${kept.id.slice(0, 36)}-${direction}`,
        at: kept.at,
        activity: null,
        direction,
        otherEnd: 'memory',
        source: 'real',
        measure: { ...TIMED, bytes, files: 1, seconds, block: kept.request.block, depth: 1 },
        path,
        conditions: conditionsOf(purpose, note, inFolder(target, through, bytes), warmth),
        ended: 'done',
        samples: samples.slice(0, MOST_SAMPLES),
      };
    }),
};
