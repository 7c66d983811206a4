import type { Read } from '@kymar/core/text';

type Path = readonly PropertyKey[];
type Holder = Record<PropertyKey, unknown>;

const isHolder = (value: unknown): value is Holder => typeof value === 'object' && value !== null;
const idOf = (value: unknown): unknown => (isHolder(value) ? value.id : undefined);

/** What stands at a place, in lists by the id of what stands there in `like`; undefined where nothing does. */
function valueAt(data: unknown, path: Path, like: unknown): unknown {
  let [now, beside]: unknown[] = [data, like];
  for (const step of path) {
    if (!isHolder(now)) return undefined;
    const next: unknown = isHolder(beside) ? beside[step] : undefined;
    const id = idOf(next);
    now = Array.isArray(now) && id !== undefined ? now.find((item) => idOf(item) === id) : now[step];
    beside = next;
  }
  return now;
}

/** Puts something at a place; undefined takes away what stands there. */
function put(data: unknown, path: Path, value: unknown): void {
  const last = path.at(-1)!;
  let holder = data;
  for (const step of path.slice(0, -1)) {
    if (!isHolder(holder)) return;
    holder = holder[step];
  }
  if (!isHolder(holder)) return;
  if (value !== undefined) holder[last] = value;
  else if (Array.isArray(holder)) holder.splice(Number(last), 1);
  else delete holder[last];
}

/** So often something is put back before it is given up. */
const TRIES = 12;

/**
 * A record without what its schema refuses: each refused place as it was stored last, or not there at all; where that does not help, what it stands in.
 * @param check says where it refuses
 * @returns null where nothing sound is left of it
 */
export async function soundPart<T>(
  mine: unknown,
  stored: unknown,
  check: (raw: unknown) => Promise<Read<T>>,
): Promise<T | null> {
  let now = mine;
  let lift = 0;
  let before = '';
  for (let i = 0; i < TRIES; i++) {
    const read = await check(now);
    if (read.ok) return read.value;
    const places = (read.at ?? []).filter((path) => path.length > 0);
    if (places.length === 0) return null;
    // The same again: it is what it stands in that does not hold.
    const same = JSON.stringify(places);
    lift = same === before ? lift + 1 : 0;
    before = same;
    const next = structuredClone(now);
    // From the end: what is taken out of a list moves nothing that is still to come.
    for (const path of places.toReversed()) {
      const at = path.slice(0, Math.max(1, path.length - lift));
      put(next, at, structuredClone(valueAt(stored, at, now)));
    }
    now = next;
  }
  return null;
}
