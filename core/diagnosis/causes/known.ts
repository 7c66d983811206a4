import type { Hypothesis } from '../hypothesis';
import { CABLE } from './cable';
import { DRIVE, ENCLOSURE } from './device';
import { FIGURES } from './figures';
import { MACHINE } from './machine';
import { OTHER_END } from './otherend';
import { PORT } from './port';

const all: Hypothesis[] = [...PORT, ...CABLE, ...ENCLOSURE, ...MACHINE, ...DRIVE, ...OTHER_END, ...FIGURES];

/** Every cause there is to think of, a table for each site. */
export const CAUSES: readonly Hypothesis[] = all;

/** Adds a cause, and gives back what takes it out again. @throws RangeError for an id that is taken */
export function registerCause(cause: Hypothesis): () => void {
  if (all.some(({ id }) => id === cause.id)) throw new RangeError(`"${cause.id}" is a cause already.`);
  all.push(cause);
  return () => void all.splice(all.indexOf(cause), 1);
}
