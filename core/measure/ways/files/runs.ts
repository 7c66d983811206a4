import type { Run } from '../../../job';
import { format } from '../../../units';
import { conditionsOf, inFolder, MOST_SAMPLES, TIMED } from '../entry';
import type { Came, WayToMeasure } from '../way';

/** The runs that files written or read one after another come to, one a direction. */
export function passedRuns(
  { kept, end: { target, passes, warmth }, purpose, path }: Came<'files', 'passed'> | Came<'read', 'passed'>,
  what: (files: number) => string,
  activity: string | null,
): Run[] {
  return passes.map(({ direction, bytes, files, seconds, bar, through, samples }) => {
    const way = through === 'direct' ? '' : 'through the host’s memory';
    const note = [purpose.note, what(files), way, target.way || target.fileSystem || null, ...target.labels];
    return {
      id: `run-${kept.id.slice(0, 36)}-${kept.request.kind}-${direction}`,
      at: kept.at,
      activity,
      direction,
      otherEnd: 'memory',
      source: 'real',
      measure: { ...TIMED, bytes: Math.max(1, bytes), files, seconds: Math.max(1e-3, seconds), depth: 1 },
      path,
      conditions: {
        ...conditionsOf(purpose, note, inFolder(target, through, bytes), warmth),
        ...(direction === 'read' && through === 'direct' ? { cold: true } : {}),
      },
      ended: 'done',
      samples: samples.slice(0, MOST_SAMPLES),
      ...(bar !== null && { counted: { read: 0, written: bytes, reads: 0, writes: files, busy: null, bar } }),
    };
  });
}

export const FILES_WAY: WayToMeasure<'files', 'passed'> = {
  ends: 'passed',
  runs(came) {
    const { median, spread } = came.kept.request;
    return passedRuns(came, () => `files about ${format(median, 'B', 2)}, spread ${spread}`, null);
  },
};
