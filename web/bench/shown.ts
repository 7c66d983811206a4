import type { Sample } from '@kymar/core/job';
import { change, type ShownShare, type Stopwatch } from '../state/watch';

/** What the bar showed at the last lap; null takes it back. */
export const showed = (share: number | null): void =>
  change((w) => {
    const t = w.laps.at(-1);
    if (t === undefined) return w;
    const others = (w.shown ?? []).filter((one) => one.t !== t);
    return { ...w, shown: share === null ? others : [...others, { t, share }] };
  });
/** Whether what was noted can be a bar's: above 0, below 1, each more than the one before. */
export const isRising = (shown: readonly ShownShare[]): boolean =>
  shown.every(({ share }, i) => share > (shown[i - 1]?.share ?? 0) && share < 1);
/** The course that the noted shares tell, from the start to the end; empty where none was noted. */
export function courseOfShares({ shown = [] }: Stopwatch, bytes: number | null, seconds: number): Sample[] {
  const known = shown.filter(({ t }) => t < seconds);
  if (!bytes || known.length === 0) return [];
  return [
    { t: 0, bytes: 0 },
    ...known.map(({ t, share }) => ({ t, bytes: share * bytes })),
    { t: seconds, bytes },
  ];
}
