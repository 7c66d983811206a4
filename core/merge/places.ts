import equal from 'fast-deep-equal';

type Fields = Record<string, unknown>;

export const isRecord = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A figure with its source, or one of several kinds of a thing: half of one and half of another would be neither. */
export const isWhole = (a: Fields, b: Fields): boolean =>
  ('value' in a && 'source' in a) || a.kind !== b.kind || (a.type !== undefined && a.type !== b.type);

/** Whether a list holds things that are told apart by an id. */
export const hasIds = (list: readonly unknown[]): list is { id: string }[] =>
  list.every((item) => isRecord(item) && typeof item.id === 'string');

/**
 * Where two states of a thing differ, as dotted places: `activities.offload.bytes`. Things with an id are named by it; what was
 * added or removed is one place.
 */
export function changedPlaces(before: unknown, after: unknown, at = ''): string[] {
  if (equal(before, after)) return [];
  const place = (key: string) => (at === '' ? key : `${at}.${key}`);
  if (isRecord(before) && isRecord(after) && !isWhole(before, after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => changedPlaces(before[key], after[key], place(key)));
  }
  if (Array.isArray(before) && Array.isArray(after) && hasIds(before) && hasIds(after)) {
    const [was, is] = [
      new Map(before.map((item) => [item.id, item])),
      new Map(after.map((item) => [item.id, item])),
    ];
    const places = [...new Set([...was.keys(), ...is.keys()])].flatMap((id) =>
      changedPlaces(was.get(id), is.get(id), place(id)),
    );
    return places.length > 0 ? places : [at];
  }
  return [at];
}
