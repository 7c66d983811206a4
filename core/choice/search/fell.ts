import { activitiesOf } from './wanted';
import { buildKey } from './search';
import type { FinishedSearch } from './searched';
import { reasonWords } from './why';
import { buildWords } from './words';

/** Why what is built now is not among the builds; null where it is, or nothing is built. */
export function fellWords({ built, wanted, found, ids }: FinishedSearch): string | null {
  if (!built || ids.has(buildKey(built))) return null;
  const { drive, bridge, port } = built;
  const fell = found.fallen.filter((f) => f.drive.id === drive.id && f.bridge?.id === bridge?.id);
  const one = fell.find((f) => f.port?.id === port) ?? fell[0];
  const why = one
    ? reasonWords(one.reason, activitiesOf(wanted))
    : 'its parts are not in the library as they are';
  return `Your current build is not among them: ${buildWords(built)}. ${why[0]!.toUpperCase()}${why.slice(1)}.`;
}
