import type { Site } from '../diagnosis';

/** How hard a round is. */
export interface Level {
  id: 1 | 2 | 3 | 4;
  title: string;
  /** Where the fault may be; absent: anywhere. */
  sites?: readonly Site[];
  /** By how much it must show in something, as a share of the time. */
  shows: number;
  /** Of so many rounds one has no fault at all, one has two; 0: none has. */
  sound: number;
  two: number;
  /** Whether all work was timed beforehand, or only some of it. */
  all: boolean;
}

export const LEVELS: readonly Level[] = [
  {
    id: 1,
    title: 'A port or a cable, and it shows',
    sites: ['port', 'cable'],
    shows: 0.4,
    sound: 0,
    two: 0,
    all: true,
  },
  { id: 2, title: 'One fault, anywhere', shows: 0.3, sound: 0, two: 0, all: true },
  { id: 3, title: 'One fault or none, little was timed', shows: 0.25, sound: 3, two: 0, all: false },
  { id: 4, title: 'None, one or two at once', shows: 0.2, sound: 4, two: 3, all: false },
];

/** @throws RangeError for a level there is not */
export function levelOf(id: number): Level {
  const found = LEVELS.find((level) => level.id === id);
  if (!found) throw new RangeError(`There is no level ${id}.`);
  return found;
}
