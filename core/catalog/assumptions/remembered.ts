import type { OwnRanges } from './table';

const NOTHING: OwnRanges = {};

/** What follows from a thing and the shop's own ranges, worked out once: parts are never changed in place. */
export function remembered<Thing extends object, Found>(
  of: (thing: Thing, own: OwnRanges) => Found,
): (thing: Thing, own?: OwnRanges) => Found {
  const known = new WeakMap<OwnRanges, WeakMap<Thing, Found>>();
  return (thing, own = NOTHING) => {
    const key = Object.keys(own).length === 0 ? NOTHING : own;
    const found = known.get(key) ?? new WeakMap<Thing, Found>();
    known.set(key, found);
    const had = found.get(thing);
    if (had !== undefined) return had;
    const made = of(thing, own);
    found.set(thing, made);
    return made;
  };
}
