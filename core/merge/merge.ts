import equal from 'fast-deep-equal';
import { hasIds, isRecord, isWhole } from './places';

/** Two changes of one thing, brought together. */
export interface Merged<T> {
  value: T;
  /** Places that both changed, and to different things: `theirs` stands there. */
  conflicts: string[];
}

type Item = { id: string };

/**
 * Brings two changes of one state together, field by field. Things with an id are matched by it, and one that is changed on one side
 * and removed on the other is kept; figures with their source are whole; where both changed the same place, theirs stands and the
 * place is told.
 * @param whole further places where nothing is taken apart
 */
export function merge3<T>(
  base: T,
  mine: T,
  theirs: T,
  whole: (place: string) => boolean = () => false,
): Merged<T> {
  const conflicts: string[] = [];
  const at = (place: string, key: string) => (place === '' ? key : `${place}.${key}`);

  function any(was: unknown, here: unknown, there: unknown, place: string): unknown {
    if (equal(here, there) || equal(here, was)) return there;
    if (equal(there, was)) return here;
    if (!whole(place)) {
      if (isRecord(here) && isRecord(there) && !isWhole(here, there))
        return fields(isRecord(was) ? was : {}, here, there, place);
      const list = Array.isArray(was) ? was : [];
      if (Array.isArray(here) && Array.isArray(there) && hasIds(here) && hasIds(there) && hasIds(list))
        return items(list, here, there, place);
    }
    conflicts.push(place);
    return there;
  }

  function fields(
    was: Record<string, unknown>,
    here: Record<string, unknown>,
    there: Record<string, unknown>,
    place: string,
  ): unknown {
    const keys = [...new Set([...Object.keys(there), ...Object.keys(here)])];
    const entries = keys.map((key) => [key, any(was[key], here[key], there[key], at(place, key))] as const);
    return Object.fromEntries(entries.filter(([, value]) => value !== undefined));
  }

  function items(was: readonly Item[], here: readonly Item[], there: readonly Item[], place: string): Item[] {
    const by = (list: readonly Item[]) => new Map(list.map((item) => [item.id, item]));
    const [old, mineBy, theirsBy] = [by(was), by(here), by(there)];
    const order = ordered(was, here, there);
    return order.flatMap((id): Item[] => {
      const [before, a, b] = [old.get(id), mineBy.get(id), theirsBy.get(id)];
      if (a && b) return [any(before, a, b, at(place, id)) as Item];
      const left = (a ?? b)!;
      // Added on one side: kept. Removed on one side: gone, unless the other changed it meanwhile.
      return !before || !equal(left, before) ? [left] : [];
    });
  }

  const value = any(base, mine, theirs, '') as T;
  return { value, conflicts };
}

/** Ids of both lists: in my order where only I changed it, else in theirs, with what only I have behind it. */
function ordered(was: readonly Item[], here: readonly Item[], there: readonly Item[]): string[] {
  const ids = (list: readonly Item[]) => list.map((item) => item.id);
  const common = (list: readonly Item[], other: readonly Item[]) =>
    ids(list).filter((id) => other.some((item) => item.id === id));
  const untouched = equal(common(was, there), common(there, was));
  const [first, second] =
    untouched && !equal(common(was, here), common(here, was))
      ? [ids(here), ids(there)]
      : [ids(there), ids(here)];
  return [...new Set([...first, ...second])];
}
