import type { OwnRanges } from './table';

const NOTHING: OwnRanges = {};

/** What follows from a thing and the shop's own ranges, worked out once: parts are never changed in place. */
export function remembered<Thing extends object, Found>(
  of: (thing: Thing, shopRanges: OwnRanges) => Found,
): (thing: Thing, shopRanges?: OwnRanges) => Found {
  const known = new WeakMap<OwnRanges, WeakMap<Thing, Found>>();
  return (thing, shopRanges = NOTHING) => {
    const key = Object.keys(shopRanges).length === 0 ? NOTHING : shopRanges;
    const found = known.get(key) ?? new WeakMap<Thing, Found>();
    known.set(key, found);
    const had = found.get(thing);
    if (had !== undefined) return had;
    const made = of(thing, shopRanges);
    found.set(thing, made);
    return made;
  };
}
