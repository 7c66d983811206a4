import type { Run } from '../../job';
import { format } from '../../units';
import type { Purpose, RunTarget, Warmth } from './common';

/** Most samples a kept run holds. */
export const MOST_SAMPLES = 2000;

/** A run timed by the server: by its own clock, until all was written. */
export const TIMED = {
  kind: 'timed' as const,
  until: 'written' as const,
  error: 0.001,
  correction: 0,
  laps: [],
  block: null,
  depth: null,
};

/** In which folder a run worked. Through the host's memory a figure means something only well above its size. */
export const inFolder = (
  { folder, labels, memory }: RunTarget,
  through: 'direct' | 'buffered',
  bytes: number,
): Pick<Run['conditions'], 'target' | 'memoryBacked'> => ({
  target: folder.slice(0, 400),
  memoryBacked:
    labels.some((label) => label === 'memory-backed' || label === 'cached-through') ||
    (through === 'buffered' && bytes < 2 * memory),
});

/** Conditions of a run: what a person stated, what is to be noted, and where it worked, if that was a folder. */
export const conditionsOf = (
  { temperature, cold = null, stated }: Purpose,
  note: readonly (string | null)[],
  where: Pick<Run['conditions'], 'target' | 'memoryBacked'> = { target: null, memoryBacked: false },
  warmth?: Warmth,
): Run['conditions'] => ({
  note: [...note, warmth && `drive at most ${format(warmth.most, '°C', 3)}`]
    .filter(Boolean)
    .join(', ')
    .slice(0, 400),
  temperature: temperature ?? warmth?.start ?? null,
  cold,
  ...stated,
  ...where,
});
