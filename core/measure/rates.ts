import type { Sample } from '../job';

/** s two readings must lie apart to tell a rate: closer ones tell the clock's grain. */
const APART = 0.09;

/**
 * Rates between samples, over the bytes moved, for a picture: no more points than asked for, none from readings too close together.
 * @returns B moved, and B/s up to there
 */
export function ratesOf(samples: readonly Sample[], most: number): { bytes: number; rate: number }[] {
  const last = samples.at(-1);
  if (!last || samples.length < 2) return [];
  const apart = Math.min(last.t, Math.max(APART, last.t / most));
  const found: { bytes: number; rate: number }[] = [];
  let from = samples[0]!;
  for (const to of samples) {
    const isLast = to === last;
    if (to.t - from.t < apart * 0.999 && !(isLast && found.length === 0)) continue;
    if (to.t > from.t) found.push({ bytes: to.bytes, rate: (to.bytes - from.bytes) / (to.t - from.t) });
    from = to;
  }
  return found;
}
