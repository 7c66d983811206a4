import type { KeptRun, Purpose, RunEvent } from './request';
import type { Run } from '../job';

/** Most samples a kept run holds. */
const MOST_SAMPLES = 2000;

/**
 * The runs that a real run's result comes to, one a direction. Their ids follow from the run's: kept twice, by two tabs or after a
 * restart, they are the same ones.
 * @param path what the purpose's place stands for
 */
export function runsOfReal(
  kept: Pick<KeptRun, 'id' | 'at' | 'request'>,
  done: Extract<RunEvent, { type: 'done' }>,
  purpose: Purpose,
  path: Run['path'],
): Run[] {
  const { target } = done;
  return done.results.map(({ direction, bytes, seconds, samples, through }) => {
    // Through the host's memory a figure means something only well above its size.
    const inMemory =
      target.labels.some((label) => label === 'memory-backed' || label === 'cached-through') ||
      (through === 'buffered' && bytes < 2 * target.memory);
    const way = through === 'direct' ? 'past the host’s memory' : 'through the host’s memory';
    const note = [
      purpose.note,
      target.way || target.fileSystem || 'file system not known',
      way,
      ...target.labels,
    ]
      .filter(Boolean)
      .join(', ');
    return {
      id: `run-${kept.id.slice(0, 36)}-${direction}`,
      at: kept.at,
      activity: null,
      direction,
      otherEnd: 'memory',
      source: 'real',
      measure: {
        kind: 'timed',
        bytes,
        files: 1,
        seconds,
        until: 'written',
        error: 0.001,
        correction: 0,
        laps: [],
        block: kept.request.block,
        depth: 1,
      },
      path,
      conditions: {
        note: note.slice(0, 400),
        temperature: purpose.temperature,
        cold: null,
        target: target.folder.slice(0, 400),
        memoryBacked: inMemory,
      },
      ended: 'done',
      samples: samples.slice(0, MOST_SAMPLES),
    };
  });
}
