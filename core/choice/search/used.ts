import type { Drive } from '../../catalog/parts';
import type { Job, Needs } from '../../job';
import { fromPasted, healthAdvice } from '../../models';

/** What is known of a drive of the library that was used before. */
export interface UsedDrive {
  drive: string;
  /** What was told of it on a day: B written, or the share of its rated wear that is used, 0 to 1 and more. */
  told: { on: string; written: number | null; wear: number | null }[];
  /** When it was first used, where that is known. */
  inUseSince?: string | undefined;
  /** Why it must not be bought or trusted, in a sentence; null where nothing says so. */
  stop: string | null;
}

/**
 * Drives that are used, by what was told of them: the health pages that were pasted, and what the drive of the device counted.
 * @param own what is in the device now, and what is asked of it
 */
export function usedDrives(
  { used = [] }: Pick<Job, 'used'>,
  own: { drive: Drive; needs: Needs } | null,
): UsedDrive[] {
  const pasted = used.flatMap(({ drive, at, text }): UsedDrive[] => {
    const read = fromPasted(text);
    if (!read.ok) return [];
    const { written, percentageUsed: wear } = read.counters;
    const stop = healthAdvice(read.counters).find(({ severity }) => severity === 'stop');
    return [{ drive, told: [{ on: at.slice(0, 10), written, wear }], stop: stop?.words ?? null }];
  });
  const { counters = [], inUseSince } = own?.needs ?? {};
  if (!own || counters.length === 0) return pasted;
  const { id } = own.drive;
  return [
    ...pasted.filter(({ drive }) => drive !== id),
    {
      drive: id,
      told: counters.map((c) => ({ ...c, wear: null })),
      inUseSince,
      stop: pasted.find(({ drive }) => drive === id)?.stop ?? null,
    },
  ];
}
