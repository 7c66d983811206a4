const numbers = new WeakMap<object, number>();
let last = 0;

/** The number of a thing as it stands: another one once it changes. What is no object stands for itself. */
export function revisionOf(thing: unknown): unknown {
  if (typeof thing !== 'object' || thing === null) return thing;
  const had = numbers.get(thing);
  if (had !== undefined) return had;
  numbers.set(thing, ++last);
  return last;
}
