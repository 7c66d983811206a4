import { format } from '../../../units';
import { conditionsOf, inFolder, MOST_SAMPLES, TIMED } from '../entry';
import type { WayToMeasure } from '../way';

/** What was timed until all was written; that it all came back the same stands beside. */
export const COPY_WAY: WayToMeasure<'copy', 'copied'> = {
  ends: 'copied',
  runs({ kept, end, purpose, path }) {
    const { target, from, bytes, files, bar, seconds, verifying, samples, warmth } = end;
    const note = [
      purpose.note,
      `copy of ${from}, all ${format(files, 'count')} files read back the same in ${format(verifying, 's', 2)}`,
      target.way || target.fileSystem,
      ...target.labels,
    ];
    return [
      {
        id: `run-${kept.id.slice(0, 36)}-copy`,
        at: kept.at,
        activity: purpose.activity ?? null,
        direction: 'write',
        otherEnd: 'storage',
        source: 'real',
        measure: { ...TIMED, bytes: Math.max(1, bytes), files, seconds: Math.max(1e-3, seconds) },
        path,
        conditions: conditionsOf(purpose, note, inFolder(target, 'direct', bytes), warmth),
        ended: 'done',
        samples: samples.slice(0, MOST_SAMPLES),
        counted: { read: 0, written: bytes, reads: 0, writes: files, busy: null, bar },
      },
    ];
  },
};
