import { noise } from '../stats';
import type { Case } from '../forecast';
import { CAUSES } from './causes/known';
import type { Hypothesis } from './hypothesis';

/** Of so many played units one has no fault at all. */
const SOUND = 4;

/**
 * The fault a played unit hides, by how often each is the cause; the same unit hides the same one.
 * @param cases what is done with it: only what shows somewhere is hidden
 * @returns null for a unit without one
 */
export function hiddenCause(cases: readonly Case[], unit: number): Hypothesis | null {
  const random = noise(unit * 2654435761 + 17);
  if (random() < 1 / SOUND) return null;
  const list = CAUSES.filter((cause) => cause.site !== 'figures' && cases.some((of) => cause.applies(of)));
  let left = random() * list.reduce((sum, { prior }) => sum + prior, 0);
  return list.find(({ prior }) => (left -= prior) < 0) ?? null;
}
