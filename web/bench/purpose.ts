import type { Purpose } from '@kymar/core/measure';
import type { Conditions } from './conditions';

/** What a run by the server is for, and what a person states of its conditions. */
export function purposeOf(
  of: Pick<Purpose, 'job' | 'place'> & { activity?: string | null },
  { note, temperature, cold, ...stated }: Conditions,
): Purpose {
  return { ...of, note, temperature, cold, stated };
}
